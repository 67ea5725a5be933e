import { expect, test, type Page } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled, stage } from './bench'

const outline = (page: Page) => page.getByRole('navigation', { name: 'Outline' })
const undo = async (page: Page, times: number) => {
  await stage(page).focus()
  for (let k = 0; k < times; k++) await page.keyboard.press('Control+z')
  await saved(page)
}

test('an array is laid anew in the fullest pattern: as many as its choice said, and the payback follows', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const before = await figure(page, 'yield')
  await outline(page)
    .getByRole('button', { name: /^South/ })
    .click()
  const card = page.getByRole('complementary', { name: /^South/ })
  const pattern = card.getByLabel('Set out')
  await expect(pattern.locator('option').first()).toHaveText('in line · 13')
  await card.getByLabel('Orientation').selectOption('best')
  const fullest = pattern.locator('option', { hasText: 'fullest' })
  await expect(fullest).toHaveText(/fullest · 1[5-9]/)
  // The tidier ones that hold less come before it, each with more than the last.
  const counts = (await pattern.locator('option').allInnerTexts()).map((text) => Number(text.split('·')[1]))
  expect(counts).toEqual([...new Set(counts)].sort((a, b) => a - b))
  await pattern.selectOption('fullest')
  await settled(page)
  await expect(card.getByText('Modules').locator('xpath=following-sibling::*[1]')).toHaveText(
    String(counts.at(-1)),
  )
  expect(await figure(page, 'yield')).toBeGreaterThan(before * 1.1)
  await undo(page, 2)
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
})

test('modules are trimmed by the slider and to what is typed: one step to undo, and what cannot be is said', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const before = await figure(page, 'yield')
  const slider = page.getByRole('slider', { name: 'Modules kept' })
  await expect(slider).toHaveValue('17')
  await slider.focus()
  for (let k = 0; k < 5; k++) await page.keyboard.press('ArrowLeft')
  await expect(outline(page).getByRole('button', { name: /^Cover/ })).toContainText('12 modules')
  await settled(page)
  const trimmed = await figure(page, 'yield')
  expect(trimmed).toBeLessThan(before)
  // By what they bring, the same number of others may go; it stays one step.
  const first = page.getByLabel('First to go')
  await first.selectOption('money')
  await expect(slider).toHaveValue('12')
  await settled(page)
  expect(await figure(page, 'yield')).toBeLessThan(before)
  await first.selectOption('access')
  await settled(page)
  expect(await figure(page, 'yield')).toBeCloseTo(trimmed, 6)
  const type = async (field: string, text: string) => {
    const box = page.getByRole('textbox', { name: field })
    await box.fill(text)
    await box.press('Enter')
  }
  await type('Power', '6.3')
  await expect(slider).toHaveValue('15')
  // To a share of the consumption: never below it, whatever strings and inverter make of the modules.
  await type('Energy offset', '60')
  await expect(async () => {
    await settled(page)
    expect(await figure(page, 'yield')).toBeGreaterThanOrEqual(0.6 * 11_400)
  }).toPass()
  await type('Price', '15,000')
  await settled(page)
  expect(await figure(page, 'price')).toBeLessThanOrEqual(15_000)
  await type('Power', '12')
  await expect(page.getByText('All 17 modules together come to 7.14 kW. Lay more first.')).toBeVisible()
  await type('Modules', '0')
  await expect(page.getByText(/^One module is the least/)).toBeVisible()
  await type('Modules', 'many')
  await expect(page.getByText('“many” is not a number.')).toBeVisible()
  await expectAccessible(page, 'nav')
  await undo(page, 1)
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
  await expect(slider).toHaveValue('17')
})

test('a larger module is asked about first, with what no longer fits where; it is taken or left', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const before = await figure(page, 'yield')
  const module = page.getByLabel('Module', { exact: true })
  const asked = page.getByRole('group', { name: 'Fewer of Lumenfold 450 M fit:' })
  await module.selectOption({ label: 'Lumenfold 450 M' })
  await expect(asked).toContainText(/West, House\s*4 → 3/)
  await expect(asked).toContainText('17 modules, 7.14 kW → 16 modules, 7.20 kW')
  // Nothing has changed yet.
  expect(await figure(page, 'yield')).toBeCloseTo(before, 6)
  await asked.getByRole('button', { name: 'Keep the Lumenfold 420 M' }).click()
  await expect(asked).toBeHidden()
  await expect(module.locator('option:checked')).toHaveText('Lumenfold 420 M')
  await module.selectOption({ label: 'Lumenfold 450 M' })
  await asked.getByRole('button', { name: 'Change all the same' }).click()
  await expect(outline(page).getByRole('button', { name: /^Cover/ })).toContainText('16 modules')
  await expect.poll(() => figure(page, 'yield')).not.toBeCloseTo(before, 0)
  await undo(page, 1)
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
})

test('the table of arrays adds up to the yield, and goes along as a file with the roof plan', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const made = await figure(page, 'yield')
  await outline(page).getByRole('button', { name: 'Table of arrays' }).click()
  const sheet = page.getByRole('dialog', { name: 'Arrays' })
  const cells = (name: string) => sheet.getByRole('row', { name: new RegExp(`^${name}`) }).getByRole('cell')
  const kwh = async (name: string) => Number((await cells(name).nth(5).innerText()).replace(',', ''))
  expect(await kwh('Together')).toBe(Math.round(made))
  expect(Math.abs((await kwh('South')) + (await kwh('West')) - made)).toBeLessThan(1.5)
  await sheet.getByRole('radio', { name: 'each direction' }).click()
  await expect(cells('Together').nth(0)).toHaveText('17')
  await expectAccessible(page, dialogPart)
  for (const [button, name] of [
    ['Save as CSV', 'arrays.csv'],
    ['Roof plan (SVG)', 'roof-plan.svg'],
  ] as const) {
    const download = page.waitForEvent('download')
    await sheet.getByRole('button', { name: button }).click()
    expect((await download).suggestedFilename()).toBe(name)
  }
})
