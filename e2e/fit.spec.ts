import { expect, test } from '@playwright/test'
import { fromArrayBuffer } from 'geotiff'
import { chapter, saved, settled } from './bench'

test('a house is read from heights: accepted but for one tree, and taken back', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('9 tern street')
  await page.getByRole('option', { name: '9 Tern Street, Pellworth' }).click()
  await expect(page.getByRole('heading', { name: '9 Tern Street' })).toBeVisible()
  await chapter(page, 'Shape')
  await page.getByRole('button', { name: 'Read house from heights' }).click()

  const sheet = page.getByRole('dialog', { name: 'House from heights' })
  const accept = sheet.getByRole('button', { name: /^Put \d+ objects in place$/ })
  await expect(accept).toBeVisible({ timeout: 60_000 })
  await expect(sheet.getByText(/\d+ planes\. \d+% of the heights lie within/)).toBeVisible()
  const house = sheet.getByRole('checkbox', { name: /^House: eave at/ })
  await expect(house).toBeChecked()
  const trees = sheet.getByRole('checkbox', { name: /^Tree, / })
  const found = await trees.count()
  expect(found).toBeGreaterThan(0)
  await trees.first().uncheck()
  await accept.click()

  await expect(page.getByText(/objects read from heights\. Check the pitches/)).toBeVisible()
  await settled(page)
  const outline = page.getByRole('navigation', { name: 'Outline' })
  await expect(outline.getByRole('button', { name: /^House\b/ })).toBeVisible()
  await expect(outline.getByRole('button', { name: /^Tree \d+/ })).toHaveCount(found - 1)
  await expect(outline.getByText(/^Roof planes, /)).toBeVisible()
  await saved(page)

  // One thing is corrected by hand, as anything that is drawn, and taken back by itself.
  await outline.getByRole('button', { name: /^House\b/ }).click()
  const eave = page.getByRole('textbox', { name: 'Eave height' })
  const read = await eave.inputValue()
  await eave.fill('13\' 3"')
  await eave.press('Enter')
  await settled(page)
  await expect(eave).toHaveValue(/13' 3/)
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(eave).toHaveValue(read)
  await page.keyboard.press('Escape')

  // Read again, what is drawn takes on what is read and nothing is there twice.
  await page.getByRole('button', { name: 'Read house from heights' }).click()
  await expect(sheet.getByRole('checkbox', { name: /^House: sets outline/ })).toBeVisible({ timeout: 60_000 })
  await expect(sheet.getByRole('checkbox', { name: /^Tree, .*drawn already/ })).toHaveCount(found - 1)

  // The lines of the planes stay to draw by, and a click on a pitch sets it on the side below.
  await sheet.getByRole('button', { name: 'Draw by hand over these lines' }).click()
  const lines = page.getByText(/^Lines of the heights: /)
  await expect(lines).toBeVisible()
  await page.getByRole('button', { name: /° · / }).first().click()
  await expect(page.getByText(/: side to \d+° set to .* from the heights\./)).toBeVisible()
  await page.getByRole('button', { name: 'Hide lines' }).click()
  await expect(lines).toBeHidden()

  // The house had its pitches from there already: what is taken back is the reading as a whole.
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(outline.getByRole('button', { name: /^House\b/ })).toBeHidden()
})

test('a picture is no raster, and a reading can be stopped', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('11 tern street')
  await page.getByRole('option', { name: '11 Tern Street, Pellworth' }).click()
  await chapter(page, 'Shape')
  await page.route('**/world/heights*', async (route) => {
    await new Promise((later) => setTimeout(later, 3_000))
    await route.continue()
  })
  await page.getByRole('button', { name: 'Read house from heights' }).click()
  const sheet = page.getByRole('dialog', { name: 'House from heights' })
  await sheet.getByRole('button', { name: 'Stop' }).click()
  await expect(sheet.getByText('Stopped. Nothing was changed.')).toBeVisible()
  await sheet.getByLabel('Own heights (GeoTIFF, ASCII grid, XYZ)').setInputFiles({
    name: 'roof.tif',
    mimeType: 'image/tiff',
    buffer: Buffer.from('\x89PNG\r\n\x1a\n, and no heights at all'),
  })
  await expect(sheet.getByRole('alert')).toContainText('“roof.tif” cannot be read as heights')
})

test('own heights as an ASCII grid: in the zone of the place, which is said', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('13 tern street')
  await page.getByRole('option', { name: '13 Tern Street, Pellworth' }).click()
  await chapter(page, 'Shape')
  const [fetched] = await Promise.all([
    page.waitForResponse(/\/world\/heights/),
    page.getByRole('button', { name: 'Read house from heights' }).click(),
  ])
  const raster = await (await fromArrayBuffer((await fetched.body()).slice().buffer)).getImage()
  const values = await raster.readRasters({ samples: [0], interleave: true })
  const [west, south] = raster.getBoundingBox()
  const header = [raster.getWidth(), raster.getHeight(), west, south, raster.getResolution()[0]]
  const keys = ['ncols', 'nrows', 'xllcorner', 'yllcorner', 'cellsize']
  const text = `${keys.map((key, k) => `${key} ${header[k]}`).join('\n')}\n${Array.from(values).join(' ')}\n`
  const sheet = page.getByRole('dialog', { name: 'House from heights' })
  const accept = sheet.getByRole('button', { name: /^Put \d+ objects in place$/ })
  await expect(accept).toBeVisible({ timeout: 60_000 })
  await expect(sheet.getByText(/does not say which reference system/)).toBeHidden()
  // The survey of the place has no outline of this house.
  await expect(sheet.getByText(/none was known, so it was found in the heights/)).toBeVisible()
  const said = await sheet.getByText(/\d+ planes\. \d+% of the heights/).textContent()
  const own = sheet.getByLabel('Own heights (GeoTIFF, ASCII grid, XYZ)')
  await own.setInputFiles({ name: 'roof.asc', mimeType: 'text/plain', buffer: Buffer.from(text) })
  await expect(sheet.getByText(/taken to be in the UTM zone of this place \(EPSG 32\d{3}\)/)).toBeVisible({
    timeout: 60_000,
  })
  await expect(sheet.getByText(/Heights: roof\.asc/)).toBeVisible()
  await expect(sheet.getByText(/\d+ planes\. \d+% of the heights/)).toHaveText(said ?? '')
  // Bare ground as a second file: level here, 0.4 m under the lowest of what was measured.
  const lowest = Math.min(...Array.from(values).filter((value) => value > -500))
  const level = Array.from(values, () => (lowest - 0.4).toFixed(2)).join(' ')
  const asc = (name: string, cells: string) => ({
    name,
    mimeType: 'text/plain',
    buffer: Buffer.from(`${text.split('\n').slice(0, keys.length).join('\n')}\n${cells}\n`),
  })
  const eaveOf = async () =>
    (await sheet.getByText(/^House: eave at/).textContent())?.match(/eave at ([^,]+)/)?.[1]
  const eave = await eaveOf()
  await own.setInputFiles([asc('ground.asc', level), asc('roof.asc', Array.from(values).join(' '))])
  await expect(sheet.getByText(/Heights: ground\.asc, roof\.asc/)).toBeVisible({ timeout: 60_000 })
  expect(await eaveOf()).not.toBe(eave)
  await own.setInputFiles([asc('one.asc', level), asc('other.asc', level)])
  await expect(sheet.getByRole('alert')).toContainText('“one.asc” and “other.asc” are less than')
  const broken = Buffer.from(text.replace(/\s(\S+)\s*$/, ' much\n'))
  await own.setInputFiles({ name: 'broken.asc', mimeType: 'text/plain', buffer: broken })
  await expect(sheet.getByRole('alert')).toContainText('“broken.asc”, line 6: “much” is not a number.')
})

test('heights that lie beside the outlines are shifted onto them, or by measures that are typed', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('15 tern street')
  await page.getByRole('option', { name: '15 Tern Street, Pellworth' }).click()
  await expect(page.getByRole('heading', { name: '15 Tern Street' })).toBeVisible()
  await chapter(page, 'Shape')
  await page.getByRole('button', { name: 'Read house from heights' }).click()
  const sheet = page.getByRole('dialog', { name: 'House from heights' })
  const east = sheet.getByLabel('Shift heights east')
  await expect(east).toHaveValue('0"', { timeout: 60_000 })
  await expect(sheet.getByText('The buildings in the heights lie')).toHaveCount(0)
  await east.fill('100 ft')
  await east.press('Enter')
  await expect(sheet.getByRole('alert')).toContainText(`Heights are shifted by 82' 1/2" at most`)
  await east.fill('-4 ft')
  await east.press('Enter')
  const said = sheet.getByText(
    /^The buildings in the heights lie [34]' .* to the west of the outlines of \d+ buildings/,
  )
  await expect(said).toBeVisible({ timeout: 60_000 })
  await sheet.getByRole('button', { name: 'Shift onto outlines' }).click()
  await expect(said).toHaveCount(0)
  // Where the outlines are: within the scatter of the heights.
  await expect(east).toHaveValue(/^-?\d?( ?1\/2)?"$/, { timeout: 60_000 })
  await expect(sheet.getByRole('button', { name: /^Put \d+ objects in place$/ })).toBeVisible()
})
