import { expect, test } from '@playwright/test'
import { figure, openShippedJob, saved, settled } from './bench'

test('a job that is opened shows the figures of last time, marked, until they are computed anew', async ({
  page,
}) => {
  await openShippedJob(page)
  const yields = await figure(page, 'yield')
  await saved(page)
  // The list has computed them, or is about to.
  await page.goto('/')
  const card = page.locator('li', { hasText: 'Okafor-Lindqvist' }).first()
  await expect(card).toContainText(/kW/)
  await expect(page.locator('[data-figures="coming"]')).toHaveCount(0)
  // Without weather nothing is computed.
  let letGo = () => undefined as void
  const held = new Promise<void>((done) => (letGo = done))
  await page.context().route(/\/world\/weather\//, async (route) => {
    await held
    await route.continue()
  })
  await page.getByRole('link', { name: 'Okafor-Lindqvist', exact: true }).click()
  const ledger = page.locator('section[aria-label="Ledger"]')
  const line = page.locator('[data-line="yield"]')
  await expect(line).toHaveAttribute('data-value', /\d/)
  expect(Number(await line.getAttribute('data-value'))).toBeCloseTo(yields, 0)
  await expect(ledger).toHaveAttribute('data-fresh', 'false')
  await expect(ledger).toContainText('figures of last time')
  await expect(ledger.locator('[data-line="payback"]')).toBeVisible()
  // Nobody says yet that all rules are met.
  await page.getByRole('button', { name: 'Checks …' }).click()
  await expect(page.locator('[popover]')).toContainText('as soon as the year is computed')
  letGo()
  await settled(page)
  await expect(ledger).not.toContainText('figures of last time')
  expect(await figure(page, 'yield')).toBeCloseTo(yields, 6)
})
