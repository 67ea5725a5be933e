import { openSync, closeSync, ftruncateSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled, stage } from './bench'

const folder = mkdtempSync(join(tmpdir(), 'weather-'))
const write = (name: string, content: string | Buffer) => {
  const file = join(folder, name)
  writeFileSync(file, content)
  return file
}

/** Another station's light, an hour late, in kilojoules with decimal commas. */
async function lateTable(page: Page): Promise<string> {
  const answer = await page.request.get('/world/weather/harrow-ridge.epw')
  const records = (await answer.text()).split('\n').slice(8, 8 + 8760)
  const light = records.map((record) => Number(record.split(',')[13]))
  const rows = records.map((record, i) => {
    const [, month, day, hour] = record.split(',').map(Number)
    const late = light[(i + 8759) % 8760] ?? 0
    const comma = (value: number) => value.toFixed(1).replace('.', ',')
    return `${day}.${month}.2023;${(hour ?? 1) - 1}:00;${comma(late * 3.6)};${comma(Number(record.split(',')[6]))}`
  })
  return ['Date;Clock;Global radiation [kJ/m2];Air temperature [°C]', ...rows].join('\r\n')
}

const openImport = async (page: Page) => {
  await chapter(page, 'Site')
  await page.getByRole('button', { name: 'Import file' }).click()
}
const choose = (page: Page, file: string) => page.getByLabel('Weather file').setInputFiles(file)
const station = (page: Page) => page.getByLabel('Weather', { exact: true })

test('a table of weather is shown, mapped, set right by an hour, taken, and undone', async ({ page }) => {
  await openShippedJob(page)
  const before = await figure(page, 'yield')
  await openImport(page)
  await choose(page, write('ridge.csv', await lateTable(page)))
  await expect(page.getByLabel('Content of “Global radiation [kJ/m2]”')).toHaveValue('ghi')
  await expect(page.getByLabel('Unit of “Global radiation [kJ/m2]”')).toHaveValue('kJ/m²')
  await expect(page.getByText(/runs 60 minutes late/)).toBeVisible()
  await expectAccessible(page)
  // A mapping without light says so, and cannot be taken.
  await page.getByLabel('Content of “Global radiation [kJ/m2]”').selectOption('ignore')
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(
    'which column holds the global horizontal irradiance',
  )
  await expect(page.getByRole('button', { name: 'Use this weather' })).toBeDisabled()
  await page.getByLabel('Content of “Global radiation [kJ/m2]”').selectOption('ghi')
  // Both at once, before the file is read again: neither undoes the other.
  const unit = await page.getByLabel('Unit of “Global radiation [kJ/m2]”').elementHandle()
  await page
    .getByRole('button', { name: 'Shift all values 60 minutes earlier' })
    .evaluate((shift: HTMLElement, select) => {
      if (!(select instanceof HTMLSelectElement)) throw new TypeError('no select')
      select.value = 'kJ/m²'
      select.dispatchEvent(new Event('change', { bubbles: true }))
      shift.click()
    }, unit)
  await expect(page.getByText(/runs 60 minutes late/)).toBeHidden()
  await expect(page.getByText(/Shifted by −60 minutes/)).toBeVisible()
  await expect(page.getByLabel('Unit of “Global radiation [kJ/m2]”')).toHaveValue('kJ/m²')
  await page.getByRole('button', { name: 'Use this weather' }).click()
  await expect(station(page)).toContainText('ridge, own file')
  await expect.poll(() => figure(page, 'yield')).not.toBe(before)
  const own = await figure(page, 'yield')
  await saved(page)
  // It is there after a reload, and goes with the job's file into another one.
  await page.reload()
  await settled(page)
  expect(await figure(page, 'yield')).toBeCloseTo(own, 6)
  const id = /jobs\/([\w-]+)/.exec(page.url())?.[1] ?? ''
  const file = await (await page.request.get(`/api/jobs/${id}/export`)).text()
  expect(JSON.parse(file)).toHaveProperty('weather.0.csv')
  const made = await page.request.post('/api/jobs/import', {
    data: file,
    headers: { 'Content-Type': 'application/json' },
  })
  const { id: copy } = (await made.json()) as { id: string }
  await page.goto(`/jobs/${copy}`)
  expect(await figure(page, 'yield')).toBeCloseTo(own, 6)
  await page.request.patch(`/api/jobs/${copy}`, { data: { deleted: true } })
  await page.goto(`/jobs/${id}`)
  await settled(page)
  await chapter(page, 'Site')
  await station(page).selectOption('pellworth-pier')
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
  await page.keyboard.press('Control+z')
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(own, 6)
  await page.keyboard.press('Control+Shift+z')
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
  await saved(page)
})

test('bad weather files get their answer, and the job stays as it was', async ({ page }) => {
  await openShippedJob(page)
  const before = await figure(page, 'yield')
  await openImport(page)
  const huge = join(folder, 'zeros.csv')
  const handle = openSync(huge, 'w')
  ftruncateSync(handle, 200_000_000)
  closeSync(handle)
  await choose(page, huge)
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('200 MB')
  await choose(page, write('picture.epw', Buffer.from([137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13])))
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('not a text file')
  const epw = await (await page.request.get('/world/weather/pellworth-pier.epw')).text()
  await choose(page, write('short.epw', epw.split('\n').slice(0, 4000).join('\n')))
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('a whole year has 8,760')
  await choose(
    page,
    write(
      'broken.epw',
      epw
        .split('\n')
        .map((line, i) => (i === 50 ? 'x' : line))
        .join('\n'),
    ),
  )
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('Line 51')
  await page.getByRole('button', { name: 'Cancel' }).click()
  expect(await figure(page, 'yield')).toBe(before)
  // The same at the door behind: too much, no text, no place.
  const send = (body: string | Buffer) => page.request.post('/api/weather', { data: body })
  expect((await send(Buffer.alloc(13_000_000, 49))).status()).toBe(413)
  expect((await send(Buffer.alloc(500))).status()).toBe(400)
  const refused = await send(`time,ghi\n${'2023-01-01 00:00,1\n'.repeat(20)}`)
  expect(refused.status()).toBe(400)
  expect(await refused.json()).toMatchObject({ error: { code: 'no-place' } })
  expect((await page.request.get('/api/weather/0123456789abcdef01234567')).status()).toBe(404)
})

test('stations say how far, how high and how even they are; a far one is warned of', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Site')
  await expect(page.getByText(/mi away, \d+ ft lower/)).toBeVisible()
  await expect(page.getByText(/year-to-year variation ±\d\.\d %/)).toBeVisible()
  const before = await figure(page, 'yield')
  await station(page).selectOption('harrow-ridge')
  await expect(page.getByText(/: rather far/)).toBeVisible()
  await expect.poll(() => figure(page, 'yield')).not.toBe(before)
  await page.getByRole('button', { name: /1 check/ }).click()
  await expect(page.getByText('Weather station is far')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
  await saved(page)
})

test('the quick estimate: 120 planes, side by side, and modules for a bill', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Site')
  await page.getByRole('button', { name: 'Estimate' }).click()
  const sheet = page.getByRole('dialog', { name: 'Quick estimate' })
  await expect(sheet.getByText(/^Best plane/)).toBeVisible()
  await expect(sheet.getByRole('button', { name: /° tilt, \d+° azimuth: \d+ kWh/ })).toHaveCount(120)
  await sheet.getByRole('button', { name: /^20° tilt, 90°/ }).click()
  await sheet.getByRole('button', { name: /^20° tilt, 270°/ }).click()
  const rows = sheet.getByRole('region', { name: 'Planes side by side' }).getByRole('row')
  await expect(rows).toHaveCount(3)
  const modules = sheet.getByText(/^\d+ modules$/)
  const few = parseInt((await modules.textContent()) ?? '', 10)
  await sheet.getByLabel('Monthly bill').fill('300')
  await sheet.getByLabel('Monthly bill').press('Enter')
  await expect(async () => {
    expect(parseInt((await modules.textContent()) ?? '', 10)).toBeGreaterThan(few * 1.8)
  }).toPass()
  await sheet.getByLabel('Price per kWh').fill('0')
  await sheet.getByLabel('Price per kWh').press('Enter')
  await expect(sheet.getByRole('alert')).toContainText('above zero')
  await expectAccessible(page)
  await sheet.getByLabel('Price per kWh').fill('0.3')
  await sheet.getByLabel('Price per kWh').press('Enter')
  await sheet.getByLabel('Monthly bill').fill('10')
  await sheet.getByLabel('Monthly bill').press('Enter')
  await expect(sheet.getByText('17 modules are laid already.')).toBeVisible()
  await sheet.getByLabel('Monthly bill').fill('350')
  await sheet.getByLabel('Monthly bill').press('Enter')
  await sheet.getByRole('button', { name: /^Lay the \d+ missing$/ }).click()
  await expect(
    page.getByText(/^\d+ modules? laid on the sunniest planes; \d+ more have no room\.$/),
  ).toBeVisible()
  const cover = page.getByRole('navigation', { name: 'Outline' }).getByRole('button', { name: /^Cover/ })
  await expect(cover).not.toContainText('17 modules')
  await stage(page).focus()
  await page.keyboard.press('Control+z')
  await expect(cover).toContainText('17 modules')
  await saved(page)
})

test('the year by month: waterfall, tables in energy and percent, and both files', async ({ page }) => {
  await openShippedJob(page)
  const made = await figure(page, 'yield')
  await page.getByRole('button', { name: 'by month', exact: true }).click()
  const sheet = page.getByRole('dialog', { name: 'Year by month' })
  await expect(sheet.getByText('Performance ratio', { exact: true })).toBeVisible()
  await expect(
    sheet.locator('figure[aria-label="From sunlight to the house, kWh"] path').first(),
  ).toBeVisible()
  await expect(sheet.getByRole('table', { name: 'Losses by month in kWh' }).getByRole('row')).not.toHaveCount(
    0,
  )
  await sheet.getByLabel('as percent of the month’s irradiation').check()
  await expect(sheet.getByRole('table', { name: 'Losses by month in percent' })).toContainText('100.0')
  await expectAccessible(page)
  const download = async (name: string) => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      sheet.getByRole('button', { name }).click(),
    ])
    return readFileSync(await file.path(), 'utf8')
      .trim()
      .split('\n')
  }
  const months = await download('Months as CSV')
  expect(months).toHaveLength(13)
  const column = (months[0] ?? '').split(',').indexOf('yieldKwh')
  expect(months.slice(1).reduce((sum, row) => sum + Number(row.split(',')[column]), 0)).toBeCloseTo(made, 1)
  expect(await download('Every interval as CSV')).toHaveLength(8761)
})

test('a rack on the ground: put up, turned after the sun, moved, one module out, undone', async ({
  page,
}) => {
  await openShippedJob(page)
  const before = await figure(page, 'yield')
  await chapter(page, 'Cover')
  await page.getByRole('button', { name: /^Rack/ }).click()
  const box = await stage(page).boundingBox()
  if (!box) throw new Error('the stage is on the screen')
  // The house's own roof is no ground.
  await page.mouse.click(box.x + box.width * 0.5, box.y + box.height * 0.47)
  await expect(page.getByText(/Something stands there/)).toBeVisible()
  await page.mouse.click(box.x + box.width * 0.85, box.y + box.height * 0.86)
  const card = page.getByRole('complementary', { name: 'Ground rack, ground-mounted' })
  await expect(card).toContainText('10')
  await expect.poll(() => figure(page, 'yield')).toBeGreaterThan(before)
  const fixed = await figure(page, 'sun-on-modules')
  await card.getByLabel('Tracking', { exact: true }).selectOption('one-axis')
  await expect.poll(() => figure(page, 'sun-on-modules')).toBeGreaterThan(fixed)
  await card.getByLabel('Rows', { exact: true }).fill('0')
  await card.getByLabel('Rows', { exact: true }).press('Enter')
  await expect(card.getByRole('alert')).toContainText('at least 1')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  for (let k = 0; k < 2; k++) {
    await page.keyboard.press('Control+z')
    await settled(page)
  }
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
  await saved(page)
})
