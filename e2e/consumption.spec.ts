import { expect, test } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled } from './bench'

/** A year of hours, dear evenings, with a day missing; a comma where some expect a point. */
function meterFile(): string {
  const rows = ['Datum;Verbrauch (kWh)']
  for (let i = 0; i < 365 * 24; i++) {
    const at = new Date(Date.UTC(2023, 0, 1) + i * 3_600_000)
    const kwh = at.getUTCHours() >= 18 && at.getUTCHours() < 22 ? 2.5 : 0.5
    rows.push(`${at.toISOString().slice(0, 16).replace('T', ' ')};${String(kwh).replace('.', ',')}`)
  }
  rows.splice(1000, 24)
  return rows.join('\n')
}

test('a meter file is read, a car is added and left out, months are typed, and all of it is taken back', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Match')
  const before = { consumption: await figure(page, 'consumption'), bill: await figure(page, 'bill-now') }
  const open = (name: string, content: string) =>
    page
      .getByLabel('Open meter file')
      .last()
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) })
  await open('letter.txt', 'Dear neighbours,\nthe meter is in the cellar.')
  await expect(page.getByText(/^letter\.txt: /)).toBeVisible()
  await open('house-2023.csv', meterFile())
  // 365 days of 4 h at 2.5 and 20 h at 0.5 kWh.
  await expect(page.getByText('house-2023.csv: 7,300 kWh a year')).toBeVisible({ timeout: 20_000 })
  await settled(page)
  expect(await figure(page, 'consumption')).toBeCloseTo(7300, 6)
  await expect(page.getByLabel('Load shape')).toHaveValue('meter')
  await page.getByText('What looked odd in it').click()
  await expect(page.getByText(/^24 intervals are missing/)).toBeVisible()

  await page.getByLabel('Add …').selectOption({ label: 'Electric car' })
  await settled(page)
  expect(await figure(page, 'consumption')).toBeCloseTo(9800, 6)
  // On the carpet by itself it is as strong as its charger, without what else the house uses.
  const carpet = page.getByRole('region', { name: 'Carpet' })
  await carpet.getByRole('radio', { name: 'Load' }).click()
  const charger = carpet.getByText('7.2 kW', { exact: true })
  await expect(charger).toHaveCount(0)
  await carpet.getByLabel('Consumption shown').selectOption({ label: 'Electric car' })
  await expect(charger).toBeVisible()
  await carpet.getByLabel('Consumption shown').selectOption({ label: 'Consumption' })
  await expect(charger).toHaveCount(0)
  const atOnce = await figure(page, 'bill-then')
  await page.getByLabel('Charging', { exact: true }).selectOption({ label: 'cheapest hours' })
  await settled(page)
  expect(await figure(page, 'bill-then')).toBeLessThan(atOnce - 20)
  // Home by day it can wait for the sun.
  const stay = page.getByLabel('At home', { exact: true })
  await stay.fill('10–9')
  await stay.press('Enter')
  await settled(page)
  const [bought, cheap] = [await figure(page, 'bought'), await figure(page, 'bill-now')]
  await page.getByLabel('Charging', { exact: true }).selectOption({ label: 'surplus of the roof' })
  await settled(page)
  expect(await figure(page, 'bought')).toBeLessThan(bought - 300)
  expect(await figure(page, 'bill-now')).toBe(cheap)
  await page.getByLabel('Counts: Electric car').uncheck()
  await settled(page)
  expect(await figure(page, 'consumption')).toBeCloseTo(7300, 6)

  await page.getByRole('button', { name: 'Enter twelve months' }).click()
  const july = page.getByLabel('Jul', { exact: true })
  await expect(july).toHaveValue('620')
  await july.fill('1,620')
  await july.press('Enter')
  await settled(page)
  expect(await figure(page, 'consumption')).toBeCloseTo(8300, 0)
  await page.getByRole('button', { name: 'Remove meter file' }).click()
  await settled(page)
  await expect(page.getByLabel('Load shape')).toHaveValue('evening')
  // A shape only says so much of what is used at once.
  const offset = page.getByRole('region', { name: 'Offset' })
  await expect(offset).toContainText(/±\s\d\spoints: from a load shape/)

  // A household of the town, whose meter was read.
  await page.getByLabel('Or a measured household').selectOption({ label: 'Two people, retired, 6,100 kWh' })
  await expect(page.getByText(/^Two people, retired\.csv: 6,\d{3} kWh a year/)).toBeVisible({
    timeout: 20_000,
  })
  await settled(page)
  await expect(page.getByLabel('Load shape')).toHaveValue('meter')
  expect(Math.abs((await figure(page, 'consumption')) - 6100)).toBeLessThan(100)
  await expect(offset).not.toContainText('from a load shape')

  const undo = page.getByTitle('Undo (Ctrl-Z)')
  while (await undo.isEnabled()) {
    await undo.click()
    await settled(page)
  }
  await saved(page)
  expect(await figure(page, 'consumption')).toBe(before.consumption)
  expect(await figure(page, 'bill-now')).toBe(before.bill)
})

test('bills are typed, set the year, and are held against the tariff', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Match')
  const before = await figure(page, 'consumption')
  await page.getByRole('button', { name: 'Enter bills' }).click()
  const sheet = page.getByRole('dialog', { name: 'Bills of the customer' })
  const type = async (label: string, value: string) => {
    await sheet.getByLabel(label, { exact: true }).fill(value)
    await sheet.getByLabel(label, { exact: true }).press('Enter')
  }
  const bills = [
    ['2025-01-01', '2025-03-31', '2000', '500'],
    ['2025-03-31', '2025-07-01', '2300', '620,50'],
    ['2025-07-10', '2025-12-31', '6100', ''],
  ] as const
  for (const [k, [from, to, kwh, money]] of bills.entries()) {
    await sheet.getByRole('button', { name: 'Add a bill' }).click()
    await sheet.getByLabel(`First day of bill ${k + 1}`).fill(from)
    await sheet.getByLabel(`Last day of bill ${k + 1}`).fill(to)
    await type(`kWh of bill ${k + 1}`, kwh)
    if (money !== '') await type(`Amount of bill ${k + 1}`, money)
  }
  const year = sheet.getByRole('region', { name: 'The year they come to' })
  await expect(year).toContainText('No bill has Jul 2, 2025 to Jul 9, 2025.')
  await expect(year).toContainText('8 days of the year are in no bill')
  await settled(page)
  // The eight days are filled: more than the bills have by 2 to 3 %.
  const consumption = await figure(page, 'consumption')
  expect(consumption).toBeGreaterThan(10_400 * 1.015)
  expect(consumption).toBeLessThan(10_400 * 1.035)
  await expect(sheet.getByRole('region', { name: 'Held against the tariff now' })).toContainText(
    'The bills ask for $1,120.50',
  )
  await expectAccessible(page, dialogPart)

  // A bill ends after it begins, and what is no number says so; nothing is lost by either.
  await sheet.getByLabel('Last day of bill 3').fill('2025-07-01')
  await expect(sheet.getByRole('alert')).toContainText('ends on the day it begins or later')
  await sheet.getByLabel('Last day of bill 3').fill('2025-12-31')
  await expect(sheet.getByRole('alert')).toHaveCount(0)
  await type('kWh of bill 2', 'a lot')
  await expect(sheet.getByRole('alert')).toContainText('“a lot” is not a number')
  await sheet.getByLabel('kWh of bill 2').press('Escape')
  await sheet.getByRole('button', { name: 'Remove bill 3' }).click()
  await settled(page)
  expect(await figure(page, 'consumption')).toBeLessThan(10_000)
  await sheet.getByRole('button', { name: 'Close' }).click()

  // A year typed by hand is the customer's now: the sheet offers the bills' again.
  await page.getByLabel('Annual consumption').fill('9000')
  await page.getByLabel('Annual consumption').press('Enter')
  await settled(page)
  await page.getByRole('button', { name: 'Enter bills' }).click()
  await expect(year).toContainText('Consumption is 9,000 kWh now')
  await year.getByRole('button', { name: /^Take .* kWh a year, month by month$/ }).click()
  await expect(year.getByRole('button')).toHaveCount(0)
  await sheet.getByRole('button', { name: 'Close' }).click()

  const undo = page.getByTitle('Undo (Ctrl-Z)')
  while (await undo.isEnabled()) {
    await undo.click()
    await settled(page)
  }
  await saved(page)
  expect(await figure(page, 'consumption')).toBe(before)
})

test('where the energy goes adds up to the ledger, and an hour has its price', async ({ page }) => {
  await openShippedJob(page)
  await page.getByText('With battery', { exact: true }).first().click()
  await settled(page)
  await chapter(page, 'Match')
  const picture = page.getByRole('figure', { name: 'Where the energy goes in a year' }).getByRole('img')
  const flows = new Map(
    ((await picture.getAttribute('aria-label')) ?? '')
      .split('; ')
      .map((text) => text.split(': '))
      .map(([way = '', kwh = '']) => [way, Number(kwh.replace(/[^\d]/g, ''))]),
  )
  const shown = (id: string) => figure(page, id).then(Math.round)
  const sum = (...ways: string[]) => ways.reduce((all, way) => all + (flows.get(way) ?? NaN), 0)
  expect(sum('Yield to Consumption', 'Battery to Consumption')).toBe(await shown('used'))
  expect(sum('Bought to Consumption')).toBe(await shown('bought'))
  expect(sum('Yield to Sold')).toBe(await shown('sold'))
  expect(sum('Yield to Consumption', 'Yield to Battery', 'Yield to Sold')).toBe(await shown('yield'))
  await expect(page.getByRole('figure', { name: 'The mean day of each month' }).getByRole('img')).toHaveCount(
    12,
  )

  await page.getByRole('button', { name: 'What an hour costs' }).click()
  const sheet = page.getByRole('dialog', { name: 'What a kWh costs by the hour it is used in' })
  await expect(sheet.getByText(/^A kWh used each day at \d\d:00 in place of \d\d:00 costs/)).toBeVisible({
    timeout: 30_000,
  })
  await expectAccessible(page, dialogPart)
  await sheet.getByRole('button', { name: 'Close' }).click()
})
