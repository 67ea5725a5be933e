import { expect, test } from '@playwright/test'
import { figure, openShippedJob, saved, settled } from './bench'

test('a job that is opened shows the figures of last time, marked, until they are computed anew', async ({
  page,
  browser,
  baseURL,
}) => {
  await openShippedJob(page)
  const yields = await figure(page, 'yield')
  await saved(page)
  const path = new URL(page.url()).pathname
  // The list has computed them, or is about to.
  await page.goto('/')
  const card = page.locator('li', { hasText: 'Okafor-Lindqvist' }).first()
  await expect(card).toContainText(/kW/)
  await expect(page.locator('[data-figures="coming"]')).toHaveCount(0)
  // Somebody who was not here before: without weather nothing is computed.
  const visit = await browser.newContext({ ...(baseURL ? { baseURL } : {}), reducedMotion: 'reduce' })
  let letGo = () => undefined as void
  const held = new Promise<void>((done) => (letGo = done))
  await visit.route(/\/world\/weather\//, async (route) => {
    await held
    await route.continue()
  })
  const there = await visit.newPage()
  await there.goto(path)
  const ledger = there.locator('section[aria-label="Ledger"]')
  const line = there.locator('[data-line="yield"]')
  await expect(line).toHaveAttribute('data-value', /\d/)
  expect(Number(await line.getAttribute('data-value'))).toBeCloseTo(yields, 0)
  await expect(ledger).toHaveAttribute('data-fresh', 'false')
  await expect(ledger).toContainText('figures of last time')
  await expect(ledger.locator('[data-line="payback"]')).toBeVisible()
  // Nobody says yet that all rules are met.
  await there.getByRole('button', { name: 'Checks …' }).click()
  await expect(there.locator('[popover]')).toContainText('as soon as the year is computed')
  letGo()
  await settled(there)
  await expect(ledger).not.toContainText('figures of last time')
  expect(await figure(there, 'yield')).toBeCloseTo(yields, 6)
  await visit.close()
})
