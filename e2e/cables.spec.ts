import { expect, test } from '@playwright/test'
import { expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled } from './bench'

test('devices are hung on walls, their cables led along the house, and their losses counted', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const entered = Math.abs(await figure(page, 'wiring'))
  await expect(page.getByLabel('Wiring', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Place devices' }).click()
  await expect(page.getByText('Click a wall for the inverter, or press Enter.')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Click a wall for the load centre/)).toBeVisible()
  // Half of it is no cable yet: the entered share still counts.
  expect(Math.abs(await figure(page, 'wiring'))).toBeCloseTo(entered, 6)
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-line="ac-cables"]')).toBeVisible()
  expect(Math.abs(await figure(page, 'wiring'))).toBeLessThan(entered)
  await expect(page.getByLabel('Wiring', { exact: true })).toHaveCount(0)
  await expect(page.getByText(/a year, 0\.\d %/)).toBeVisible()
  await expect(page.locator('[data-cable="dc"]')).toHaveCount(4)

  // Taken along the wall, the cable between the two is longer.
  const run = page.getByText(/of 8 AWG, 0\.\d % at full power/)
  const before = await run.innerText()
  const box = await page.locator('[data-device="loadCentre"] rect').boundingBox()
  if (!box) throw new Error('the load centre is seen')
  await page.mouse.move(box.x + 5, box.y + 6)
  await page.mouse.down()
  await page.mouse.move(box.x + 50, box.y + 20, { steps: 5 })
  await page.mouse.up()
  await expect(run).not.toHaveText(before)
  await settled(page)
  await page.keyboard.press('Escape')

  // A height is typed as lengths are, and one that no wall has is refused.
  const height = page.getByLabel(/Height of Inverter/)
  await height.fill('6 ft')
  await height.press('Enter')
  await expect(height).toHaveValue('6\' 0"')
  await height.fill('90 ft')
  await height.press('Enter')
  await expect(page.getByText(/at most/)).toBeVisible()
  await height.fill('6 ft')
  await height.press('Enter')
  await expectAccessible(page, 'nav[aria-label="Outline"]')

  // As thin as a string may be it is too thin from the far side: told, and put right by one press.
  await page.getByLabel('PV cable', { exact: true }).selectOption({ label: '12 AWG' })
  await page.getByRole('button', { name: 'Place: Cables come down' }).click()
  await expect(page.getByText(/are to come down/)).toBeVisible()
  await page.keyboard.press('Enter')
  for (let step = 0; step < 30; step++) await page.keyboard.press('Shift+ArrowRight')
  await settled(page)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /checks?$/ }).click()
  const checks = page.locator('[popover]')
  await expect(checks.getByText(/cables too thin/)).toBeVisible()
  await expect(checks.getByText('PV cable below its current')).toBeVisible()
  const larger = checks.getByRole('button', { name: 'Use a larger cross-section' })
  await expect(larger).toHaveCount(2)
  await larger.first().click()
  await settled(page)
  await expect(page.getByRole('button', { name: 'No checks' })).toBeVisible()
  await page.keyboard.press('Escape')

  await page.getByRole('button', { name: 'Parts list' }).click()
  const parts = page.getByRole('dialog', { name: 'Parts list' })
  await expect(parts.getByRole('row', { name: /^PV cable/ })).toContainText(
    'along roof edges and walls to the inverter',
  )
  await expect(parts.getByRole('row', { name: /^AC cable/ })).toContainText('along the walls')
  await parts.getByRole('button', { name: 'Close' }).click()

  // The shipped job as it was.
  await page.getByLabel('PV cable', { exact: true }).selectOption({ label: 'automatic' })
  await settled(page)
  for (const device of ['Inverter', 'Load centre', 'Cables come down'])
    await page.getByRole('button', { name: `Take away ${device}` }).click()
  await page.getByLabel('Inverter', { exact: true }).scrollIntoViewIfNeeded()
  await settled(page)
  expect(Math.abs(await figure(page, 'wiring'))).toBeCloseTo(entered, 6)
  await saved(page)
})
