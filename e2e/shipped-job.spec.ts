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
  await page.getByLabel('Battery', { exact: true }).selectOption({ label: 'Marrowstone 13' })
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
      .getByText(/^\+\d+$/)
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
  const [day, time] = [page.getByLabel('Day', { exact: true }), page.getByLabel('Local clock')]
  await expect(day).toHaveValue('2025-06-21')
  await expect(time).toHaveValue('12:00')
  await clock.press('ArrowUp')
  await clock.press('ArrowRight')
  await expect(day).toHaveValue('2025-06-22')
  await expect(time).toHaveValue('13:00')
  const carpet = page.getByRole('region', { name: 'Carpet' })
  await carpet.getByRole('radio', { name: 'Load' }).click()
  await expect(carpet.getByText('Consumption', { exact: true })).toBeVisible()
})

test('the moment is typed, stepped and played; a reload comes back to the same place, Back to the chapter before', async ({
  page,
}) => {
  await openShippedJob(page)
  const [day, time] = [page.getByLabel('Day', { exact: true }), page.getByLabel('Local clock')]
  await day.fill('2025-12-21')
  await time.fill('10:00')
  await time.press('Enter')
  await expect(time).toHaveValue('10:00')
  await page.getByRole('button', { name: '+5 min' }).click()
  await expect(time).toHaveValue('10:05')
  await page.getByRole('button', { name: 'Play the day' }).click()
  await expect(time).not.toHaveValue('10:05')
  await page.getByRole('button', { name: 'Stop' }).click()
  const stopped = await time.inputValue()
  await chapter(page, 'Cover')
  await page.getByRole('button', { name: /^West/ }).click()
  await expect(page.getByRole('complementary', { name: /^West/ })).toBeVisible()
  await expect(page).toHaveURL(/selected=array-west/)
  await page.reload()
  await expect(page.getByRole('complementary', { name: /^West/ })).toBeVisible()
  await expect(day).toHaveValue('2025-12-21')
  await expect(time).toHaveValue(stopped)
  await page.goBack()
  await expect(
    page.getByRole('navigation', { name: 'Outline' }).getByRole('button', { name: /^Shape/ }),
  ).toHaveAttribute('aria-expanded', 'true')
})

test('headings, bill, payback and present value stay in sight, however small the window is', async ({
  page,
}) => {
  await openShippedJob(page)
  for (const [width, height] of [
    [1280, 800],
    [1024, 700],
  ] as const) {
    await page.setViewportSize({ width, height })
    for (const name of ['Site', 'Cover', 'Wire', 'Match', 'Offer']) {
      await chapter(page, name)
      for (const other of ['Site', 'Shape', 'Cover', 'Wire', 'Match', 'Store', 'Offer'])
        await expect(
          page
            .getByRole('navigation', { name: 'Outline' })
            .getByRole('button', { name: new RegExp(`^${other}\\b`) }),
        ).toBeInViewport({ ratio: 0.9 })
    }
    for (const line of ['bill-then', 'payback', 'npv'])
      await expect(page.locator(`[data-line="${line}"]`)).toBeInViewport({ ratio: 0.9 })
  }
})

test('bad input stands next to where it happened, and the old value stays', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Offer')
  const before = await figure(page, 'payback')
  const price = page.getByLabel('Price per watt')
  await price.fill('cheap')
  await price.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: '“cheap” is not a number' })).toBeVisible()
  await price.fill('-3')
  await price.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'at least $0.00/W' })).toBeVisible()
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
  const length = page.getByLabel('Modules per string')
  await length.fill('2')
  await length.press('Enter')
  await page.getByRole('button', { name: /checks?$/ }).click()
  const checks = page.getByRole('region', { name: 'Checks' })
  await expect(checks).toContainText('too few modules')
  await expect(checks).toContainText(/\d+ V · limit \d+ V/)
  await checks.getByRole('button', { name: 'String automatically' }).first().click()
  await expect(checks).toContainText('All rules are met')
  // The list gives way to Escape and to a click beside it.
  await page.keyboard.press('Escape')
  await expect(checks).toBeHidden()
  await page.getByRole('button', { name: 'No checks' }).click()
  await expect(checks).toBeVisible()
  await chapter(page, 'Match')
  await expect(checks).toBeHidden()
  await saved(page)
})

test('a module is found, deleted and put back by keys alone', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const south = page.getByRole('navigation', { name: 'Outline' }).getByRole('button', { name: /^South/ })
  await south.focus()
  await page.keyboard.press('Enter')
  const before = await figure(page, 'yield')
  await page.keyboard.press('ArrowRight')
  const card = page.getByRole('complementary', { name: /^Module/ })
  await expect(card).toContainText('Irradiation')
  const first = await card.textContent()
  await page.keyboard.press('ArrowRight')
  await expect.poll(() => card.textContent()).not.toBe(first)
  await page.keyboard.press('Delete')
  await expect.poll(() => figure(page, 'yield')).toBeLessThan(before - 100)
  await page.keyboard.press('Control+z')
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
  await saved(page)
})
