import { readFile } from 'node:fs/promises'
import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { chapter, figure, openShippedJob, restingBox, saved, settled } from './bench'

const sheet = (page: Page, name: string) => page.getByRole('dialog', { name })
const close = (page: Page, name: string) => sheet(page, name).getByRole('button', { name: 'Close' }).click()

async function expectAccessible(page: Page): Promise<void> {
  const found = await new AxeBuilder({ page }).include('[role=dialog]').analyze()
  expect(found.violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')).toEqual([])
}

test('parts and diagram follow the inverter that is chosen', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  await page.getByRole('button', { name: 'Parts list' }).click()
  const row = (name: RegExp) => sheet(page, 'Parts list').getByRole('row', { name })
  const count = sheet(page, 'Parts list').getByLabel('Count: Modules, Lumenfold 420 M')
  await expect(count).toHaveValue('17')
  await expect(row(/^Inverter, Halyard 7.6/)).toContainText('1,980')
  await expect(row(/^Inverter breaker/)).toContainText('40 A')
  // Both connectors of each home run.
  await expect(row(/^PV connectors/)).toContainText('2 strings')
  await expectAccessible(page)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    sheet(page, 'Parts list').getByRole('button', { name: 'Save as CSV' }).click(),
  ])
  const csv = await readFile(await download.path(), 'utf8')
  expect(csv.split('\n')[0]).toBe('part,code,count,unit,price,weight_kg,why,on_site,counted')
  expect(csv).toMatch(/^"?Modules, Lumenfold 420 M"?,module,17,piece,185,21.5/m)

  // The meter is there already, a spare module goes along, and so do boards that nothing drawn asks for.
  const total = sheet(page, 'Parts list').getByRole('row', { name: /^To bring/ })
  const counted = (await total.textContent()) ?? ''
  await row(/^Meter for import/)
    .getByRole('checkbox')
    .check()
  await count.fill('18')
  await count.press('Enter')
  await expect(row(/^Modules, Lumenfold 420 M/)).toContainText('counted: 17')
  await sheet(page, 'Parts list').getByRole('button', { name: 'Add a part' }).click()
  const name = sheet(page, 'Parts list').getByLabel('Name of added part 1')
  await name.fill('Scaffold boards')
  await name.press('Enter')
  const price = sheet(page, 'Parts list').getByLabel('Price of one: Scaffold boards')
  await price.fill('plenty')
  await price.press('Enter')
  await expect(price).toHaveAttribute('aria-describedby', /wrong/)
  await price.fill('25.50')
  await price.press('Enter')
  await expect(total).not.toHaveText(counted)
  await expectAccessible(page)
  await sheet(page, 'Parts list').getByRole('button', { name: 'Remove Scaffold boards' }).click()
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
    sheet(page, 'Parts list').getByRole('button', { name: 'Quote request as CSV' }).click(),
  ])
  const [heading = '', ...rows] = (await readFile(await asked.path(), 'utf8')).trim().split('\n')
  const take = async (name: string, text: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      sheet(page, 'Parts list').getByRole('button', { name: 'Read prices' }).click(),
    ])
    await chooser.setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  }
  await take('answer.csv', [heading, ...rows.map((row) => `${row}cheap`)].join('\n'))
  await expect(sheet(page, 'Parts list').getByRole('alert')).toContainText(
    'Line 2, price: “cheap” is not a price',
  )
  await expect(total).toHaveText(counted)
  await take('answer.csv', [heading, ...rows.map((row) => `${row}1`), 'ladder,Ladder,1,piece,90'].join('\n'))
  await expect(sheet(page, 'Parts list').getByRole('status')).toContainText(
    /The prices of \d+ lines were read.*not in this list: ladder/,
  )
  await expect(total).not.toHaveText(counted)
  await expectAccessible(page)
  await close(page, 'Parts list')

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
  await close(page, 'Parts list')

  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-5000')
  await settled(page)
  await page.getByRole('button', { name: 'Single-line diagram' }).click()
  const picture = sheet(page, 'Single-line diagram').getByRole('img')
  await expect(picture).toHaveAttribute('alt', /Halyard 5\.0.*30 A, 2 poles/)
  await expect
    .poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(100)
  await expectAccessible(page)
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    sheet(page, 'Single-line diagram').getByRole('button', { name: 'Save as PDF' }).click(),
  ])
  expect((await readFile(await pdf.path(), 'latin1')).slice(0, 8)).toBe('%PDF-1.4')
  await sheet(page, 'Single-line diagram').getByRole('button', { name: 'Zoom 100 %' }).click()
  await expect(sheet(page, 'Single-line diagram').getByRole('button', { name: 'Zoom 150 %' })).toBeVisible()
  await close(page, 'Single-line diagram')
  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await settled(page)
  await saved(page)
})

test('an inverter with too few inputs leaves modules over, and says so on the diagram', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const length = page.getByLabel('Modules per string')
  await length.fill('5')
  await length.press('Enter')
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  await expect(page.getByText('Modules without an input').first()).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Single-line diagram' }).click()
  await expect(sheet(page, 'Single-line diagram').getByRole('img')).toHaveAttribute(
    'alt',
    /modules? hangs? on no input/,
  )
  await close(page, 'Single-line diagram')
  await length.fill('automatic')
  await length.press('Enter')
  await settled(page)
  await expect(page.getByRole('button', { name: 'No checks' })).toBeVisible()
  await saved(page)
})

test('inverters are tried in the option, the best first, and one is taken', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  // One that is too large is told of, with the way to the others.
  await page.getByLabel('Inverter', { exact: true }).selectOption('orrin-10')
  await settled(page)
  await page.getByRole('button', { name: /^\d+ checks?$/ }).click()
  await page.locator('[popover]').getByRole('button', { name: 'Compare inverters' }).click()
  const name = 'Inverters for this option'
  await expect(
    sheet(page, name)
      .getByRole('row')
      .filter({ hasText: /^Orrin 10/ }),
  ).toContainText('chosen')
  await close(page, name)
  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await settled(page)
  await page.getByRole('button', { name: 'Compare inverters' }).click()
  await expect(sheet(page, name).getByText(/break a rule come last/)).toBeVisible({ timeout: 20_000 })
  const rows = sheet(page, name).getByRole('row')
  await expect(rows.filter({ hasText: /^Halyard 7.6/ })).toContainText('chosen')
  await expect(rows.filter({ hasText: /^Brannock 2.5/ })).toContainText('Modules without an input')
  await sheet(page, name).getByLabel('Electronics').selectOption('at each module')
  await expect(rows.filter({ hasText: 'Halyard' })).toHaveCount(0)
  await sheet(page, name).getByLabel('Electronics').selectOption('strings')
  await sheet(page, name).getByLabel('DC/AC from').fill('1,1')
  await sheet(page, name).getByLabel('DC/AC from').press('Enter')
  await expect(rows.filter({ hasText: /^Brannock 2.5/ })).toHaveCount(1)
  await expect(rows.filter({ hasText: /^2 × Brannock 2.5/ })).toHaveCount(1)
  await sheet(page, name).getByLabel('Only what breaks no rule').check()
  await expect(rows.filter({ hasText: /^(Brannock 2.5|Halyard 7.6)/ })).toHaveCount(0)
  await expect(sheet(page, name).getByText(/^\d+ of 31 shown\.$/)).toBeVisible()
  await expectAccessible(page)
  await sheet(page, name).getByLabel('Only with a battery port').check()
  await expect(rows.filter({ hasText: 'Brannock' })).toHaveCount(0)
  await expect(rows.filter({ hasText: /^Tamsin 5 H/ })).toHaveCount(1)
  await sheet(page, name).getByLabel('Only with a battery port').uncheck()
  await sheet(page, name).getByLabel('DC/AC from').fill('')
  await sheet(page, name).getByLabel('DC/AC from').press('Enter')
  const best = await rows.nth(1).getByRole('rowheader').innerText()
  await rows
    .nth(1)
    .getByRole('button', { name: `Take ${best}` })
    .click()
  await expect(rows.filter({ hasText: best })).toContainText('chosen')
  await close(page, name)
  await settled(page)
  await expect(page.getByRole('button', { name: 'No checks' })).toBeVisible()
  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await settled(page)
  await saved(page)
})

test('two inverters side by side share the strings; those that idle are taken back by a remedy', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const count = page.getByLabel('Inverters of this kind')
  const enter = async (text: string) => {
    await count.fill(text)
    await count.press('Enter')
  }
  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-3800')
  await settled(page)
  const clipped = Math.abs(await figure(page, 'clipping'))
  expect(clipped).toBeGreaterThan(200)
  for (const wrong of ['0', '7', 'two', '1.5']) {
    await enter(wrong)
    await expect(count).toHaveAttribute('aria-describedby', /wrong/)
  }
  await enter('2')
  await settled(page)
  // A line of nought is left out.
  await expect(page.locator('[data-line="clipping"]')).toHaveCount(0)
  const strings = page.getByRole('listitem').filter({ hasText: /^S\d/ })
  await expect(strings).toHaveText([/7, input 1\.1/, /6, input 2\.1/, /4, input 2\.2/])
  await strings.nth(2).getByRole('button').first().click()
  await expect(strings.nth(2)).toContainText('2.2.1 ·')
  await expect(page.getByText('2 × 3.8 kW, 7.60 kW')).toBeVisible()

  await page.getByRole('button', { name: 'Single-line diagram' }).click()
  const drawing = sheet(page, 'Single-line diagram').getByRole('img')
  await expect(drawing).toHaveAttribute('alt', /Input 2\.2: 1 string of 4 modules/)
  await close(page, 'Single-line diagram')
  await page.getByRole('button', { name: 'Parts list' }).click()
  await expect(sheet(page, 'Parts list').getByLabel('Count: Inverter, Halyard 3.8')).toHaveValue('2')
  await close(page, 'Parts list')

  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await enter('6')
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  await expect(page.getByText('Inverter without modules').first()).toBeVisible()
  await page.getByRole('button', { name: 'Take as many as are used' }).click()
  await settled(page)
  await expect(page.getByText('Inverter without modules')).toHaveCount(0)
  await page.keyboard.press('Escape')
  await enter('1')
  await settled(page)
  await saved(page)
})

test('the curves of the inputs: where each works at the moment, none in the dark, and none of optimizers', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  await page.getByRole('button', { name: 'Curves of the inputs' }).click()
  const curves = sheet(page, 'Current and voltage of the inputs')
  const clock = curves.getByLabel('Local clock')
  const at = async (time: string) => {
    await clock.fill(time)
    await clock.press('Enter')
  }
  await expect(curves.locator('[data-fresh="true"]')).toBeVisible()
  await expect(curves.getByRole('figure')).toContainText('Working point')
  const row = curves.getByRole('row').filter({ hasText: 'S1' })
  const before = (await row.textContent()) ?? ''
  expect(before).toMatch(/\d+ V, \d+\.\d A/)
  await at('8:00')
  await expect(row).not.toHaveText(before)
  await expect(curves.locator('[data-fresh="true"]')).toBeVisible()
  await expectAccessible(page)
  await at('23:00')
  await expect(curves.getByRole('status')).toContainText('No light falls on the modules')
  await at('15:00')
  await expect(row).toHaveText(before)
  await close(page, 'Current and voltage of the inputs')
  await page.getByLabel('Optimizers', { exact: true }).selectOption({ label: 'Thrushfield 430' })
  await settled(page)
  await expect(page.getByRole('button', { name: 'Curves of the inputs' })).toHaveCount(0)
  await page.getByLabel('Optimizers', { exact: true }).selectOption({ label: 'none' })
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
  const row = (name: RegExp) => sheet(page, 'Parts list').getByRole('row', { name })
  await expect(row(/^Microinverters, Tarnbeck Duo 800/)).toContainText('2,412')
  await expect(row(/^DC disconnect/)).toHaveCount(0)
  await expectAccessible(page)
  await close(page, 'Parts list')
  await page.getByRole('button', { name: 'Single-line diagram' }).click()
  const picture = sheet(page, 'Single-line diagram').getByRole('img')
  await expect(picture).toHaveAttribute('alt', /Branch 1: 3 microinverters, 6 modules.*AC combiner/)
  await close(page, 'Single-line diagram')

  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await settled(page)
  await page.getByLabel('Optimizers', { exact: true }).selectOption({ label: 'none' })
  await settled(page)
  await saved(page)
})

test('a string is drawn by hand: figures follow, a rule that it breaks is told, and its remedy strings it again', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  await page.getByRole('button', { name: '3D', exact: true }).click()
  const layer = page.locator('svg[data-strings]')
  await expect(layer).toHaveAttribute('data-strings', '2')
  const before = await figure(page, 'yield')
  const strings = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^S\d/ }) })
  await expect(strings).toHaveCount(2)
  // Where the first string runs on the screen, module after module.
  const path = async () => {
    const stage = await page.getByLabel(/^Stage: the house/).boundingBox()
    const points = await layer.locator('polyline').first().getAttribute('points')
    return (points ?? '').split(' ').map((point) => {
      const [x = 0, y = 0] = point.split(',').map(Number)
      return [x + (stage?.x ?? 0), y + (stage?.y ?? 0)] as const
    })
  }
  // The camera has come to rest in plan.
  let seen = ''
  await expect
    .poll(async () => {
      const now = JSON.stringify(await path())
      const isStill = now === seen
      seen = now
      return isStill
    })
    .toBe(true)
  const modules = await path()
  expect(modules).toHaveLength(13)
  await page.getByRole('button', { name: 'Draw string' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Drag over modules' })).toBeVisible()
  await page.mouse.move(...(modules[7] ?? [0, 0]))
  await page.mouse.down()
  for (const at of modules.slice(8)) await page.mouse.move(...at, { steps: 3 })
  await expect(page.getByRole('status').filter({ hasText: '6 modules' })).toBeVisible()
  await page.mouse.up()
  await expect(strings).toHaveCount(3)
  await settled(page)
  await expect(strings.filter({ hasText: 'by hand' })).toHaveText(/^S1\s*6, input 1, by hand/)
  expect(await figure(page, 'yield')).not.toBe(before)

  // Onto the input of another: unequal strings, too many for it.
  await page.keyboard.press('Escape')
  await strings.filter({ hasText: 'by hand' }).getByRole('button', { name: /^S1/ }).click()
  await page.getByLabel('Input of S1').selectOption('Input 2')
  await settled(page)
  await page.getByRole('button', { name: 'Keep all strings as they are' }).click()
  await settled(page)
  const kept = strings.filter({ hasText: '7, input' })
  const button = kept.getByRole('button', { name: /^S\d/ })
  if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click()
  await kept.getByLabel(/^Input of S\d/).selectOption('Input 2')
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  const checks = page.locator('[popover]')
  await expect(checks.getByText('Unequal strings on input 2')).toBeVisible()
  await expect(checks.getByText('Too many strings on input 2')).toBeVisible()
  await checks.getByRole('button', { name: 'String automatically' }).first().click()
  await settled(page)
  await expect(checks.getByText('Unequal strings on input 2')).toHaveCount(0)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'String all automatically' }).click()
  await settled(page)
  await expect(strings).toHaveCount(2)
  expect(await figure(page, 'yield')).toBe(before)
  await saved(page)
})

test('ways to string are compared, and one is taken as drawn by hand', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const before = await figure(page, 'yield')
  await page.getByRole('button', { name: 'Compare strings' }).click()
  const ways = sheet(page, 'Ways to string these modules')
  await expect(ways.getByRole('status')).toContainText('The whole chain is run for each')
  await expect(ways.getByRole('row', { name: /^13 \+ 4/ }).filter({ hasText: 'as it is now' })).toHaveCount(1)
  const best = ways.getByRole('row').nth(1)
  await expect(best).toContainText(/\+1\d\d kWh/)
  await expectAccessible(page)
  await best.getByRole('button', { name: /^Take / }).click()
  await expect(ways.getByRole('status')).toContainText('The whole chain is run for each')
  await expect(ways.getByRole('row').nth(1)).toContainText('as it is now')
  await close(page, 'Ways to string these modules')
  expect(await figure(page, 'yield')).toBeGreaterThan(before + 100)
  await page.getByRole('button', { name: 'String all automatically' }).click()
  expect(await figure(page, 'yield')).toBe(before)
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
  const ranked = sheet(page, name)
  await expect(ranked.getByRole('status')).toContainText('The whole chain is run for each', {
    timeout: 20_000,
  })
  await expect(ranked.getByRole('row', { name: /^no module/ })).toContainText('as it is now')
  await expectAccessible(page)
  await ranked.getByRole('button', { name: 'Take optimizers at the 4 most shaded modules' }).click()
  await expect(ranked.getByRole('row').filter({ hasText: 'as it is now' })).toContainText('184')
  await close(page, name)
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
    sheet(page, 'Parts list').getByRole('row', { name: /^Optimizers, Thrushfield One 430/ }),
  ).toContainText('One at each module of 420 W')
  await close(page, 'Parts list')
  await page.getByLabel('Optimizers', { exact: true }).selectOption('none')
  await settled(page)
  expect(await figure(page, 'yield')).toBe(yieldBefore)
  await saved(page)
})
