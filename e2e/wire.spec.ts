import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, restingBox, saved, settled } from './bench'
import { closeDialog, dialog } from './dialogs'

test('parts and diagram follow the inverter that is chosen', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  await page.getByRole('button', { name: 'Parts list' }).click()
  const row = (name: RegExp) => dialog(page, 'Parts list').getByRole('row', { name })
  const count = dialog(page, 'Parts list').getByLabel('Count: Modules, Lumenfold 420 M')
  await expect(count).toHaveValue('17')
  await expect(row(/^Inverter, Halyard 7.6/)).toContainText('1,980')
  await expect(row(/^Inverter breaker/)).toContainText('40 A')
  // Both connectors of each home run.
  await expect(row(/^PV connectors/)).toContainText('2 strings')
  await expectAccessible(page, dialogPart)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog(page, 'Parts list').getByRole('button', { name: 'Save as CSV' }).click(),
  ])
  const csv = await readFile(await download.path(), 'utf8')
  expect(csv.split('\n')[0]).toBe('part,code,count,unit,price,weight_kg,why,on_site,counted')
  expect(csv).toMatch(/^"?Modules, Lumenfold 420 M"?,module,17,piece,185,21.5/m)

  // The meter is there already, a spare module goes along, and so do boards that nothing drawn asks for.
  const total = dialog(page, 'Parts list').getByRole('row', { name: /^To bring/ })
  const counted = (await total.textContent()) ?? ''
  await row(/^Meter for import/)
    .getByRole('checkbox')
    .check()
  await count.fill('18')
  await count.press('Enter')
  await expect(row(/^Modules, Lumenfold 420 M/)).toContainText('counted: 17')
  await dialog(page, 'Parts list').getByRole('button', { name: 'Add a part' }).click()
  const name = dialog(page, 'Parts list').getByLabel('Name of added part 1')
  await name.fill('Scaffold boards')
  await name.press('Enter')
  const price = dialog(page, 'Parts list').getByLabel('Price of one: Scaffold boards')
  await price.fill('plenty')
  await price.press('Enter')
  await expect(price).toHaveAttribute('aria-describedby', /wrong/)
  await price.fill('25.50')
  await price.press('Enter')
  await expect(total).not.toHaveText(counted)
  await expectAccessible(page, dialogPart)
  await dialog(page, 'Parts list').getByRole('button', { name: 'Remove Scaffold boards' }).click()
  await row(/^Meter for import/)
    .getByRole('checkbox')
    .uncheck()
  await count.fill('')
  await count.press('Enter')
  await expect(count).toHaveValue('17')
  await expect(total).toHaveText(counted)

  // A distributor is asked for prices; the request, filled in, is read back, and one press of undo takes it away.
  const [asked] = await Promise.all([
    page.waitForEvent('download'),
    dialog(page, 'Parts list').getByRole('button', { name: 'Quote request as CSV' }).click(),
  ])
  const [heading = '', ...rows] = (await readFile(await asked.path(), 'utf8')).trim().split('\n')
  const take = async (name: string, text: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      dialog(page, 'Parts list').getByRole('button', { name: 'Read prices' }).click(),
    ])
    await chooser.setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  }
  await take('answer.csv', [heading, ...rows.map((row) => `${row}cheap`)].join('\n'))
  await expect(dialog(page, 'Parts list').getByRole('alert')).toContainText(
    'Line 2, price: “cheap” is not a price',
  )
  await expect(total).toHaveText(counted)
  await take('answer.csv', [heading, ...rows.map((row) => `${row}1`), 'ladder,Ladder,1,piece,90'].join('\n'))
  await expect(dialog(page, 'Parts list').getByRole('status')).toContainText(
    /The prices of \d+ lines were read.*not in this list: ladder/,
  )
  await expect(total).not.toHaveText(counted)
  await expectAccessible(page, dialogPart)
  await closeDialog(page, 'Parts list')

  // The offer may follow the list: there a piece of each line costs one now, and the rest goes by the watt.
  const priceBefore = await figure(page, 'price')
  await chapter(page, 'Offer')
  const equipment = page.getByLabel('Equipment', { exact: true })
  await equipment.selectOption('by the parts list')
  await settled(page)
  expect(await figure(page, 'price')).toBeLessThan(priceBefore - 3000)
  await equipment.selectOption('at list prices')
  await settled(page)
  expect(await figure(page, 'price')).toBe(priceBefore)
  await chapter(page, 'Wire')
  for (let k = 0; k < 3; k++) await page.keyboard.press('Control+z')
  await page.getByRole('button', { name: 'Parts list' }).click()
  await expect(total).toHaveText(counted)
  await closeDialog(page, 'Parts list')

  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-5000')
  await settled(page)
  await page.getByRole('button', { name: 'Single-line diagram' }).click()
  const picture = dialog(page, 'Single-line diagram').getByRole('img')
  await expect(picture).toHaveAttribute('alt', /Halyard 5\.0.*30 A, 2 poles/)
  await expect
    .poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(100)
  await expectAccessible(page, dialogPart)
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    dialog(page, 'Single-line diagram').getByRole('button', { name: 'Save as PDF' }).click(),
  ])
  expect((await readFile(await pdf.path(), 'latin1')).slice(0, 8)).toBe('%PDF-1.4')
  await dialog(page, 'Single-line diagram').getByRole('button', { name: 'Zoom 100 %' }).click()
  await expect(dialog(page, 'Single-line diagram').getByRole('button', { name: 'Zoom 150 %' })).toBeVisible()
  await closeDialog(page, 'Single-line diagram')
  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await settled(page)
  await saved(page)
})

test('optimizers and microinverters: mismatch falls, rules follow, and the list for the van with them', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const lost = async (line: string) => Math.abs(await figure(page, line))
  const before = await lost('mismatch')
  await page.getByLabel('Optimizers', { exact: true }).selectOption({ label: 'Thrushfield 430' })
  await settled(page)
  expect(await lost('mismatch')).toBeLessThan(before * 0.6)
  expect(await lost('optimizers')).toBeGreaterThan(0)

  // Five of them do not run the inverter: said, and put right by its remedy.
  await page.getByLabel('Modules per string').fill('5')
  await page.getByLabel('Modules per string').press('Enter')
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  const checks = page.getByRole('region', { name: 'Checks' })
  await expect(checks.getByText(/too few optimizers/).first()).toBeVisible()
  await checks
    .getByRole('button', { name: /automatic/i })
    .first()
    .click()
  await settled(page)
  await expect(page.getByRole('button', { name: 'No checks' })).toBeVisible()
  await page.keyboard.press('Escape')

  await page.getByLabel('Inverter', { exact: true }).selectOption('tarnbeck-duo-800')
  await settled(page)
  await expect(page.getByLabel('Optimizers', { exact: true })).toHaveCount(0)
  await expect(page.getByText('9 × 800 W, 7.20 kW')).toBeVisible()
  await expect(page.getByRole('button', { name: /^B1 3 microinverters, 6 modules 10.0 A/ })).toBeVisible()
  await page.getByRole('button', { name: 'Parts list' }).click()
  const row = (name: RegExp) => dialog(page, 'Parts list').getByRole('row', { name })
  await expect(row(/^Microinverters, Tarnbeck Duo 800/)).toContainText('2,412')
  await expect(row(/^DC disconnect/)).toHaveCount(0)
  await expectAccessible(page, dialogPart)
  await closeDialog(page, 'Parts list')
  await page.getByRole('button', { name: 'Single-line diagram' }).click()
  const picture = dialog(page, 'Single-line diagram').getByRole('img')
  await expect(picture).toHaveAttribute('alt', /Branch 1: 3 microinverters, 6 modules.*AC combiner/)
  await closeDialog(page, 'Single-line diagram')

  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await settled(page)
  await page.getByLabel('Optimizers', { exact: true }).selectOption({ label: 'none' })
  await settled(page)
  await saved(page)
})

test('optimizers at the modules where they pay: taken from the ranking, then moved by hand', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const [yieldBefore, mismatchBefore] = [await figure(page, 'yield'), await figure(page, 'mismatch')]
  await page.getByRole('button', { name: 'Where optimizers pay' }).click()
  const name = 'Optimizers at the most shaded modules'
  const ranked = dialog(page, name)
  await expect(ranked.getByRole('status')).toContainText('The whole chain is run for each', {
    timeout: 20_000,
  })
  await expect(ranked.getByRole('row', { name: /^no module/ })).toContainText('as it is now')
  await expectAccessible(page, dialogPart)
  await ranked.getByRole('button', { name: 'Take optimizers at the 4 most shaded modules' }).click()
  await expect(ranked.getByRole('row').filter({ hasText: 'as it is now' })).toContainText('184')
  await closeDialog(page, name)
  await settled(page)
  expect(await figure(page, 'yield')).toBeGreaterThan(yieldBefore + 50)
  expect(Math.abs(await figure(page, 'mismatch'))).toBeLessThan(Math.abs(mismatchBefore) - 50)
  const layer = page.locator('svg[data-strings]')
  await expect(layer).toHaveAttribute('data-optimized', '4')

  // One of those is selected on the roof, rid of its own, and given it again; the choice says how many there are.
  const mark = await restingBox(layer.locator('[data-optimizer]').first())
  await page.mouse.click(mark.x + mark.width / 2, mark.y + mark.height / 2)
  const where = page.getByLabel('Where', { exact: true })
  await page.getByRole('button', { name: 'Take it from the selected module' }).click()
  await expect(layer).toHaveAttribute('data-optimized', '3')
  await expect(where).toContainText('3 modules of 17')
  await page.getByRole('button', { name: 'Give the selected module one' }).click()
  await expect(layer).toHaveAttribute('data-optimized', '4')
  await where.selectOption('Every module')
  await expect(layer).toHaveAttribute('data-optimized', '17')
  await settled(page)
  await page.getByRole('button', { name: 'Parts list' }).click()
  await expect(
    dialog(page, 'Parts list').getByRole('row', { name: /^Optimizers, Thrushfield One 430/ }),
  ).toContainText('One at each module of 420 W')
  await closeDialog(page, 'Parts list')
  await page.getByLabel('Optimizers', { exact: true }).selectOption('none')
  await settled(page)
  expect(await figure(page, 'yield')).toBe(yieldBefore)
  await saved(page)
})
