import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled } from './bench'
import { closeDialog, dialog } from './dialogs'

const cell = (page: Page, days: string, name: string | RegExp) =>
  dialog(page, 'Tariff with solar').getByRole('grid', { name: days }).getByRole('gridcell', { name })

/** Takes back all that was done. */
async function undoAll(page: Page): Promise<void> {
  const undo = page.getByTitle('Undo (Ctrl-Z)')
  while (await undo.isEnabled()) {
    await undo.click()
    await settled(page)
  }
  await saved(page)
}

test('hours are painted with a price, by hand and by keys, and the bills follow', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Match')
  const before = await figure(page, 'bill-then')
  await page.getByRole('button', { name: 'Prices and charges: Tariff with solar' }).click()
  const tariff = dialog(page, 'Tariff with solar')
  await expect(cell(page, 'Weekdays', 'Jul, 15:00 to 16:00: Summer peak, $ 0.438')).toBeVisible()
  await expectAccessible(page)

  // A price of its own for the evenings of the whole year, each day.
  await tariff.getByRole('button', { name: 'Add a price' }).click()
  await tariff.getByLabel('Name of price 4').fill('Dinner')
  await tariff.getByLabel('Name of price 4').press('Enter')
  const dinner = tariff.getByRole('textbox', { name: 'Price of Dinner per kWh', exact: true })
  await dinner.fill('0,9')
  await dinner.press('Enter')
  for (const days of ['Weekdays', 'Weekends and holidays']) {
    const from = await cell(page, days, /^Jan, 18:00/).boundingBox()
    const to = await cell(page, days, /^Dec, 20:00/).boundingBox()
    if (!from || !to) throw new Error('cells have places')
    await page.mouse.move(from.x + 4, from.y + 4)
    await page.mouse.down()
    await page.mouse.move(to.x + 4, to.y + 4, { steps: 4 })
    await page.mouse.up()
  }
  await expect(cell(page, 'Weekdays', 'Jun, 19:00 to 20:00: Dinner, $ 0.9')).toBeVisible()
  // January's one o'clock by keys.
  const grid = tariff.getByRole('grid', { name: 'Weekdays' })
  await grid.focus()
  for (const key of ['ArrowRight', 'Enter']) await grid.press(key)
  await settled(page)
  expect(await figure(page, 'bill-then')).toBeGreaterThan(before + 300)
  await closeDialog(page, 'Tariff with solar')

  await page.getByRole('button', { name: 'Bills line by line' }).click()
  const row = (name: string) =>
    dialog(page, 'Bills line by line')
      .getByRole('table', { name: 'Bills with solar' })
      .getByRole('row', { name: new RegExp(`^${name}`) })
  await expect(row('Dinner')).toBeVisible()
  await expectAccessible(page)
  // The year's total is the ledger's, and its months add up to it.
  const total = (await row('Total').innerText())
    .split(/\s+/)
    .slice(1)
    .map((text) => Number(text.replace(',', '')))
  expect(total).toHaveLength(13)
  const year = total.at(-1) ?? NaN
  expect(total.slice(0, 12).reduce((sum, month) => sum + month, 0)).toBeCloseTo(year, 0)
  expect(Math.abs(year - (await figure(page, 'bill-then')))).toBeLessThan(1)
  await closeDialog(page, 'Bills line by line')
  await undoAll(page)
  expect(await figure(page, 'bill-then')).toBe(before)
})

test('the tariffs of the place side by side: the cheapest are named, and one is taken', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Match')
  const before = await figure(page, 'bill-then')
  await page.getByRole('button', { name: 'Compare tariffs' }).click()
  const tariffs = dialog(page, 'Tariffs side by side')
  const lowest = tariffs.getByRole('region', { name: 'The lowest bill' })
  await expect(lowest).toContainText('Quahaven Municipal Electric: Town home, demand')
  await expect(lowest).toContainText('This option has no battery')
  await expectAccessible(page)
  const rows = tariffs.getByRole('row')
  // Six of the place, and the job's two, which are without the holidays of the leaflets.
  await expect(rows).toHaveCount(1 + 6 + 2)
  const bills = async (name: RegExp) => {
    const row = rows.filter({ has: page.getByRole('rowheader', { name }) })
    const cells = await row.getByRole('cell').allTextContents()
    return cells.slice(0, 3).map((text) => Number(text.replace(/[^\d]/g, '')))
  }
  const then = await bills(/the tariff with solar$/)
  expect(then[1]).toBe(Math.round(before))
  const steps = await bills(/Home, in steps/)
  await tariffs
    .getByRole('button', { name: 'Take Aldane Light & Power: Home, in steps as the tariff with solar' })
    .click()
  await settled(page)
  expect(Math.round(await figure(page, 'bill-then'))).toBe(steps[1])
  // It is the one with solar now, and what it does by itself is said.
  await expect(rows.filter({ hasText: 'the tariff with solar' })).toContainText('Home, in steps')
  await expect(lowest).toContainText('a year more on the tariff with solar')
  await closeDialog(page, 'Tariffs side by side')
  await undoAll(page)
  expect(await figure(page, 'bill-then')).toBe(before)
})

test('prices of later years are typed, and the years to come have them', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Match')
  const before = { bill: await figure(page, 'bill-now'), npv: await figure(page, 'npv') }
  await page.getByRole('button', { name: 'Prices and charges: Tariff now' }).click()
  const tariff = dialog(page, 'Tariff now')
  await tariff.getByRole('button', { name: 'Add a year' }).click()
  await expect(tariff.getByLabel('From year, step 1')).toHaveValue('2026')
  await tariff.getByLabel('Times what is stated, step 1').fill('1,5')
  await tariff.getByLabel('Times what is stated, step 1').press('Enter')
  await tariff.getByLabel('From year, step 1').fill('20.5')
  await tariff.getByLabel('From year, step 1').press('Enter')
  await expect(tariff.getByRole('alert')).toBeVisible()
  await tariff.getByLabel('From year, step 1').press('Escape')
  await settled(page)
  await closeDialog(page, 'Tariff now')
  // This year's bill is what it was.
  expect(await figure(page, 'bill-now')).toBe(before.bill)
  expect(await figure(page, 'npv')).toBeGreaterThan(before.npv + 5000)
  await undoAll(page)
  expect(await figure(page, 'npv')).toBe(before.npv)
})

test('a tariff of the place is taken, saved as a file and read again; a bad file says what is wrong', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Match')
  const before = await figure(page, 'bill-then')
  await page.getByRole('button', { name: 'Prices and charges: Tariff with solar' }).click()
  const tariff = dialog(page, 'Tariff with solar')
  await tariff
    .getByLabel('Tariffs of this place')
    .selectOption({ label: 'Aldane Light & Power: Home, in steps' })
  await expect(tariff.getByLabel('Step 2 up to, kWh')).toHaveValue('24')
  await settled(page)
  const withSteps = await figure(page, 'bill-then')
  expect(withSteps).not.toBe(before)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    tariff.getByRole('button', { name: 'Save as file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('Home, in steps.tariff.json')
  const text = await readFile(await download.path(), 'utf8')

  const take = (name: string, content: string) =>
    tariff
      .getByLabel('Open tariff file')
      .last()
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) })
  await take('letter.json', 'Dear customer')
  await expect(page.getByText('letter.json: This is not a tariff file')).toBeVisible()
  await take('steps.json', text.replace('"upToKwh": 24', '"upToKwh": 3'))
  await expect(page.getByText(/steps\.json: .*tiers\.steps/)).toBeVisible()
  await expect(tariff.getByLabel('Step 2 up to, kWh')).toHaveValue('24')
  await take('dearer.json', text.replace('"pricePerKwh": 0.224', '"pricePerKwh": 0.424'))
  await expect(
    tariff.getByRole('textbox', { name: 'Price of All other hours per kWh', exact: true }),
  ).toHaveValue('0.424')
  await settled(page)
  expect(await figure(page, 'bill-then')).toBeGreaterThan(withSteps)

  // Steps must rise: the field says so and nothing is lost.
  await tariff.getByLabel('Step 1 up to, kWh').fill('99')
  await tariff.getByLabel('Step 1 up to, kWh').press('Enter')
  await expect(tariff.getByRole('alert')).toBeVisible()
  await tariff.getByLabel('Step 1 up to, kWh').press('Escape')
  await tariff.getByRole('button', { name: 'Add a demand charge' }).click()
  await settled(page)
  await closeDialog(page, 'Tariff with solar')
  await page.getByRole('button', { name: 'Bills line by line' }).click()
  await expect(
    dialog(page, 'Bills line by line')
      .getByRole('table', { name: 'Bills with solar' })
      .getByRole('row', { name: /^Demand charge/ }),
  ).toBeVisible()
  await closeDialog(page, 'Bills line by line')
  await undoAll(page)
  expect(await figure(page, 'bill-then')).toBe(before)
})
