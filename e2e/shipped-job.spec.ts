import { expect, test } from '@playwright/test'
import { chapter, figure, openShippedJob, saved, settled } from './bench'

test('every ledger line answers "why?", with formula, inputs and source', async ({ page }) => {
  await openShippedJob(page)
  await page.locator('[data-line="shade"]').click()
  const why = page.getByRole('complementary', { name: 'Why: Shade' })
  await expect(why).toContainText('Oak, west fence')
  await expect(why).toContainText('No default shading loss is added')
  await why.getByRole('button', { name: 'Close' }).click()
  await page.locator('[data-line="payback"]').click()
  await expect(page.getByRole('complementary', { name: 'Why: Payback' })).toContainText(
    'Saved in the first year',
  )
})

test('a second option is a copy; a change of the house reaches both; the differences are shown', async ({
  page,
}) => {
  await openShippedJob(page)
  await page.getByRole('button', { name: /^New option/ }).click()
  await expect(page.getByRole('tab')).toHaveCount(3)
  await chapter(page, 'Store')
  await page.getByLabel('Battery').selectOption({ label: 'Marrowstone 13' })
  await settled(page)
  const stored = await figure(page, 'self-sufficiency')
  const withBattery = await figure(page, 'yield')
  await page.getByRole('tab').first().click()
  const alone = await figure(page, 'self-sufficiency')
  expect(stored).toBeGreaterThan(alone)
  await chapter(page, 'Shape')
  await page.getByRole('button', { name: /^Oak, west fence/ }).click()
  await page.keyboard.press('Delete')
  await expect.poll(() => figure(page, 'yield')).toBeGreaterThan(withBattery)
  await expect(
    page
      .locator('section[aria-label="Ledger"]')
      .getByText(/^\+\d+ kWh/)
      .first(),
  ).toBeVisible()
  const felled = await figure(page, 'yield')
  await page.getByRole('tab').nth(2).click()
  await expect.poll(() => figure(page, 'yield')).toBe(felled)
  await page.keyboard.press('Control+z')
  await page.getByRole('tab').nth(2).click()
  await page.getByRole('button', { name: 'Remove option C' }).click()
  await expect(page.getByRole('tab')).toHaveCount(2)
  await saved(page)
})

test('the carpet is the clock, by hand and by keys; its layers change', async ({ page }) => {
  await openShippedJob(page)
  const clock = page.getByRole('slider', { name: 'Day and hour' })
  const box = await clock.boundingBox()
  if (!box) throw new Error('the carpet is on the screen')
  await page.mouse.click(box.x + box.width * (171.5 / 365), box.y + box.height * 0.5)
  await expect(page.getByText(/June 21, 12:00/)).toBeVisible()
  await clock.press('ArrowUp')
  await clock.press('ArrowRight')
  await expect(page.getByText(/June 22, 13:00/)).toBeVisible()
  await page.getByRole('radio', { name: 'Load' }).click()
  await expect(page.getByText('Consumption', { exact: true })).toBeVisible()
})

test('bad input stands next to where it happened, and the old value stays', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Offer')
  const before = await figure(page, 'payback')
  const price = page.getByLabel('Price a watt')
  await price.fill('cheap')
  await price.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: '“cheap” is not a number' })).toBeVisible()
  await price.fill('-3')
  await price.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'not below zero' })).toBeVisible()
  await price.press('Escape')
  expect(await figure(page, 'payback')).toBe(before)
  await price.fill('3.30')
  await price.press('Enter')
  await expect.poll(() => figure(page, 'payback')).toBeGreaterThan(before)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect.poll(() => figure(page, 'payback')).toBe(before)
  await saved(page)
})

test('a rule that is broken is listed with its figure and limit, and mended with one click', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const length = page.getByLabel('In a string')
  await length.fill('2')
  await length.press('Enter')
  await page.getByRole('button', { name: /checks?$/ }).click()
  const checks = page.getByRole('region', { name: 'Checks' })
  await expect(checks).toContainText('too few modules')
  await expect(checks).toContainText(/\d+ V · limit \d+ V/)
  await checks.getByRole('button', { name: 'String automatically' }).first().click()
  await expect(checks).toContainText('All rules are kept')
  // The list gives way to Escape and to a click beside it.
  await page.keyboard.press('Escape')
  await expect(checks).toBeHidden()
  await page.getByRole('button', { name: 'No checks' }).click()
  await expect(checks).toBeVisible()
  await chapter(page, 'Match')
  await expect(checks).toBeHidden()
  await saved(page)
})
