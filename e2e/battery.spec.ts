import { expect, test } from '@playwright/test'
import { expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled } from './bench'

test('batteries side by side, one taken by its figures, run by the tariff, and an hour that says why', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Store')
  const sizes = page.getByRole('region', { name: 'Batteries side by side' })
  await expect(sizes.getByText('Each run by the same rule')).toBeVisible({ timeout: 30_000 })
  const row = (name: string) => sizes.getByRole('row', { name: new RegExp(`^${name}`) })
  await expect(row('No battery')).toContainText('chosen')
  await expect(sizes.getByText('highest NPV')).toHaveCount(1)
  await expect(sizes.getByText('shortest payback')).toHaveCount(1)
  const wanted = sizes.getByLabel('Bill offset wanted')
  await wanted.fill('999')
  await wanted.press('Enter')
  await expect(
    sizes.getByText(/^No size offsets 999.0\s?% of the bill; the most is [\d.]+\s?%\.$/),
  ).toBeVisible()
  await wanted.fill('1')
  await wanted.press('Enter')
  // Without a battery it costs least, and more of the bill is gone than that.
  await expect(row('No battery')).toContainText(/cheapest for a bill offset of 1.0\s?%/)
  const offered = await row('Kestrelite 10').getByRole('cell').nth(1).innerText()
  await row('Kestrelite 10').getByRole('button', { name: 'Take Kestrelite 10' }).click()
  await settled(page)
  // The option's bill is the one of the table.
  expect(Math.round(await figure(page, 'bill-then'))).toBe(Number(offered.replace(/[^\d.]/g, '')))
  await expect(row('Kestrelite 10')).toContainText('chosen')
  await expect(page.getByText(/“Own use first” earns \d+\s?% of what perfect foresight would/)).toBeVisible({
    timeout: 30_000,
  })
  await expect(page.getByText('What one more kWh of storage saves in a year')).toBeVisible()

  const day = page.getByRole('region', { name: /^The battery on/ })
  await expect(day.getByText(/^Stores .* of sun for \d\d:00, when it spares/).first()).toBeVisible()
  await expect(day.getByText(/^Keeps what it has/)).toHaveCount(0)
  // It sells nothing that it has stored, and what it draws itself is not sold.
  await expect(day.getByText(/^Supplies /).first()).toBeVisible()
  await expect(day.getByText(/^Gives /)).toHaveCount(0)
  const own = await figure(page, 'bill-then')
  await page.getByLabel('Run by', { exact: true }).selectOption({ label: 'By the tariff’s prices' })
  await page.getByLabel('Charging from the grid').selectOption({ label: 'may charge it' })
  await settled(page)
  const byTariff = await figure(page, 'bill-then')
  expect(byTariff).toBeLessThan(own)
  // Who knows the next day does better.
  await page.getByLabel('Run by', { exact: true }).selectOption({ label: 'By prices and forecast' })
  await settled(page)
  expect(await figure(page, 'bill-then')).toBeLessThan(byTariff)
  await page.getByLabel('Run by', { exact: true }).selectOption({ label: 'By the tariff’s prices' })
  await settled(page)
  await expect(page.getByText(/“By the tariff’s prices” earns \d+\s?%/)).toBeVisible({ timeout: 30_000 })
  // In January it is filled at night for the dear hours.
  await page.getByLabel('Day', { exact: true }).fill('2025-01-15')
  await expect(day.getByText(/^Takes .* from the grid at \$0\.164\/kWh for/).first()).toBeVisible()
  await expectAccessible(page, 'main')

  const backup = page.getByRole('region', { name: 'If the grid fails' })
  await expect(backup.getByText(/runs [\d.]+ h in the worst case/)).toBeVisible({ timeout: 30_000 })
  const longest = await backup.getByText(/in the worst case/).innerText()
  await backup.getByLabel('Stays on, all the time').fill('0.9')
  await backup.getByLabel('Stays on, all the time').press('Enter')
  await expect(backup.getByText(/in the worst case/)).not.toHaveText(longest, { timeout: 30_000 })
  await backup.getByLabel('Stays on, all the time').fill('0.3')
  await backup.getByLabel('Stays on, all the time').press('Enter')
  // What will come can stay on too: with a heat pump it is over much sooner.
  await chapter(page, 'Match')
  await page.getByLabel('Add …').selectOption({ label: 'Heat pump' })
  await settled(page)
  await chapter(page, 'Store')
  const worst = async () =>
    Number(/runs ([\d.,]+) h/.exec(await backup.getByText(/in the worst case/).innerText())?.[1])
  const before = await worst()
  await backup.getByLabel('Heat pump').check()
  await expect.poll(worst, { timeout: 30_000 }).toBeLessThan(0.7 * before)
  await backup.getByLabel('Heat pump').uncheck()
  await chapter(page, 'Match')
  await page.getByRole('button', { name: 'Remove Heat pump' }).click()
  await settled(page)
  await chapter(page, 'Store')

  // Without a grid: hours that are served, and what it takes to serve as many as are asked for.
  const alone = page.getByRole('region', { name: 'The same house without a grid' })
  await alone.getByRole('button', { name: 'Show' }).click()
  const size = alone.getByRole('row', { name: /^Kestrelite 10/ })
  const generatorKw = async () =>
    Number(((await size.getByRole('cell').nth(4).textContent()) ?? '').replace(/[^\d.]/g, ''))
  await expect(
    alone.getByText(/^Kestrelite 10, and the array as it is: [\d,]+\s?kWh are missing/),
  ).toBeVisible()
  const most = await generatorKw()
  expect(most).toBeGreaterThan(0)
  await alone.getByLabel('Hours of the year to be served').fill('70')
  await alone.getByLabel('Hours of the year to be served').press('Enter')
  await expect(alone.getByRole('columnheader', { name: /^Generator for 70.0\s?%/ })).toBeVisible()
  await expect.poll(generatorKw, { timeout: 30_000 }).toBeLessThan(most)
  await alone.getByLabel('Hours of the year to be served').fill('99')
  await alone.getByLabel('Hours of the year to be served').press('Enter')

  await page.getByLabel('Run by', { exact: true }).selectOption({ label: 'Own use first' })
  await page.getByLabel('Battery', { exact: true }).selectOption({ label: 'none' })
  await settled(page)
  await saved(page)
})

test('a DC-coupled battery needs a hybrid inverter, saves of clipping, and says so where there is none', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Store')
  const batteries = page.getByLabel('Battery', { exact: true })
  await expect(
    page.getByText('3 batteries need a battery port, which Halyard 7.6 does not have.'),
  ).toBeVisible()
  await expect(batteries.getByRole('option', { name: 'Kestrelite Tower 13' })).toHaveCount(0)
  await chapter(page, 'Wire')
  await page.getByLabel('Inverter', { exact: true }).selectOption({ label: 'Tamsin 5 H' })
  await settled(page)
  const [made, clipped] = [await figure(page, 'yield'), await figure(page, 'clipping')]
  await chapter(page, 'Store')
  await batteries.selectOption({ label: 'Kestrelite Tower 13' })
  await settled(page)
  // What it takes before it is clipped is yield.
  const spared = (await figure(page, 'clipping')) - clipped
  expect(spared).toBeGreaterThan(0)
  expect((await figure(page, 'yield')) - made).toBeCloseTo(spared, -1)
  await expect(page.getByText('DC-coupled, on the inverter’s battery port')).toBeVisible()
  await chapter(page, 'Wire')
  await page.getByLabel('Inverter', { exact: true }).selectOption({ label: 'Halyard 7.6' })
  await settled(page)
  await page.getByRole('button', { name: /^1 check/ }).click()
  const checks = page.locator('[popover]')
  await expect(checks.getByText('Battery without a port')).toBeVisible()
  await page.keyboard.press('Escape')
  await chapter(page, 'Store')
  await batteries.selectOption({ label: 'none' })
  await settled(page)
  await saved(page)
})

test('where the highest power is charged, the battery keeps it low', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Match')
  await page.getByRole('button', { name: 'Compare tariffs' }).click()
  const tariffs = page.getByRole('dialog', { name: 'Tariffs side by side' })
  await tariffs.getByRole('button', { name: /^Take Quahaven Municipal Electric: Town home, demand/ }).click()
  await tariffs.getByRole('button', { name: 'Close' }).click()
  await chapter(page, 'Store')
  await page.getByLabel('Battery', { exact: true }).selectOption({ label: 'Kestrelite 10' })
  await settled(page)
  const own = await figure(page, 'bill-then')
  await page.getByLabel('Run by', { exact: true }).selectOption({ label: 'Highest power first' })
  await page.getByLabel('Charging from the grid').selectOption({ label: 'may charge it' })
  await settled(page)
  expect(await figure(page, 'bill-then')).toBeLessThan(own - 50)
  await expect(page.getByText(/^Highest power in the hours of the demand charge/)).toBeVisible({
    timeout: 30_000,
  })
  const undo = page.getByTitle('Undo (Ctrl-Z)')
  while (await undo.isEnabled()) {
    await undo.click()
    await settled(page)
  }
  await saved(page)
})
