import { expect, test, type Page } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled, stage } from './bench'

const add = (page: Page, ...files: readonly (readonly [name: string, text: string])[]) =>
  page
    .getByLabel('Add readings', { exact: true })
    .setInputFiles(files.map(([name, text]) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })))
/** As it stands on the ledger. */
const kwh = async (page: Page, id: 'yield' | 'shade') => Math.round(await figure(page, id))
const cells = async (page: Page, name: RegExp) => {
  const table = page.getByRole('region', { name: 'Horizon readings and the model' })
  const texts = await table.getByRole('row', { name }).getByRole('cell').allTextContents()
  return texts.map((text) => Number(text.replace('−', '-').replaceAll(/[^\d.+-]/g, '')))
}

test('horizons measured on site are put on the roof, compared with the model, and shade comes from them', async ({
  page,
}) => {
  await openShippedJob(page)
  await settled(page)
  const [shade, yieldNow] = [await kwh(page, 'shade'), await kwh(page, 'yield')]
  await chapter(page, 'Site')
  await add(page, ['ridge.csv', '0,3\n120,12\n240,24'], ['bad.csv', 'azimuth,elevation\n10,high'])
  const wrong = page.locator('p[role="alert"]')
  await expect(wrong).toContainText('bad.csv: Line 2: “high” is not a number')
  await expect(page.getByText('None yet. A device that measures')).toBeVisible()
  await add(
    page,
    ['ridge.csv', '0,3\n120,12\n180,2\n240,24\n300,3'],
    ['eave.csv', 'azimuth;elevation\n0;3\n120;20,5\n180;2\n240;12\n300;3\n'],
  )
  await expect(wrong).toHaveCount(0)
  const card = page.getByRole('complementary', { name: /^ridge/ })
  await expect(card.getByText('5 points, highest 24.0° in the south-west')).toBeVisible()
  // Nothing of it counts before it is chosen.
  await saved(page)
  expect(await kwh(page, 'shade')).toBe(shade)
  // Carried along the roof by arrow keys, as any other thing.
  await stage(page).focus()
  for (let k = 0; k < 4; k++) await page.keyboard.press('Shift+ArrowLeft')
  await saved(page)

  await card.getByRole('button', { name: 'Compare with the model' }).click()
  const sheet = page.getByRole('dialog', { name: 'Shade' })
  await expect(
    sheet.getByText(
      /^Seen from “ridge”, 1\d' .* the line is the horizon that was measured\. Of [\d,]+ hours/,
    ),
  ).toBeVisible()
  await expect(sheet.getByText('kWh').first()).toBeVisible()
  await expect.poll(() => cells(page, /^Shade loss/)).toHaveLength(3)
  const [model, readings, difference] = await cells(page, /^Yield/)
  expect(model).toBe(yieldNow)
  expect(difference).toBe((readings ?? NaN) - (model ?? NaN))
  const [byModel, byReading, hours] = await cells(page, /^ridge/)
  expect(byReading).toBeLessThan(byModel ?? NaN)
  expect(hours).toBe((byReading ?? NaN) - (byModel ?? NaN))
  await sheet.getByRole('radio', { name: 'Shade from the readings' }).click()
  await expect.poll(() => kwh(page, 'yield')).toBe(readings)
  const bill = sheet.getByRole('table', { name: 'Shade bill' })
  await expect(bill.getByRole('row', { name: /^Horizon readings/ })).toBeVisible()
  await expect(bill.getByRole('row', { name: /^Oak/ })).toHaveCount(0)
  await expectAccessible(page, dialogPart)
  await page.keyboard.press('Escape')
  await page.reload()
  await expect.poll(() => kwh(page, 'yield')).toBe(readings)

  // Without them the model is back, whatever was chosen.
  for (const name of ['ridge', 'eave']) {
    await page.getByRole('button', { name: new RegExp(`^${name}`) }).click()
    await page.keyboard.press('Delete')
  }
  await expect.poll(() => kwh(page, 'yield')).toBe(yieldNow)
  for (let k = 0; k < 2; k++) await page.keyboard.press('Control+z')
  await expect.poll(() => kwh(page, 'yield')).toBe(readings)
  await page.getByLabel('Shade from').selectOption('the model')
  await expect.poll(() => kwh(page, 'yield')).toBe(yieldNow)
  for (const name of ['ridge', 'eave']) {
    await page.getByRole('button', { name: new RegExp(`^${name}`) }).click()
    await page.keyboard.press('Delete')
  }
  await saved(page)
})
