import { PNG } from 'pngjs'
import { expect, test, type Page } from '@playwright/test'
import { chapter, saved, settled, stage } from './bench'
import { clickingInPlan } from './plan'

/** A picture of a light roof on dark ground. */
function roofPicture(): Buffer {
  const picture = new PNG({ width: 400, height: 300 })
  for (let y = 0; y < 300; y++)
    for (let x = 0; x < 400; x++) {
      const roof = x >= 100 && x < 300 && y >= 90 && y < 210
      picture.data.set(roof ? [225, 214, 196, 255] : [96, 110, 84, 255], 4 * (400 * y + x))
    }
  return PNG.sync.write(picture)
}

/** A wall of 12 m by 7 m in a drawing whose units are not said, with a layer that is switched off. */
const plan = [
  '0 SECTION 2 TABLES 0 TABLE 2 LAYER 70 2 0 LAYER 2 WALLS 70 0 62 7 0 LAYER 2 GRID 70 0 62 -3 0 ENDTAB 0 ENDSEC',
  '0 SECTION 2 ENTITIES 0 LWPOLYLINE 8 WALLS 90 4 70 1 10 0 20 0 10 12000 20 0 10 12000 20 7000 10 0 20 7000',
  '0 LINE 8 GRID 10 0 20 0 11 90000 21 90000 0 TEXT 8 WALLS 10 0 20 0 40 1 1 KITCHEN 0 ENDSEC 0 EOF',
]
  .join(' ')
  .split(' ')
  .join('\n')

const opened = async (page: Page, address: string) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill(address.toLowerCase())
  await page.getByRole('option', { name: `${address}, Pellworth` }).click()
  await settled(page)
  await chapter(page, 'Site')
}

test('a picture is laid under the model and scaled by two points and a length; damaged and foreign files are refused', async ({
  page,
}) => {
  await opened(page, '21 Tern Street')
  const input = page.getByLabel('Add picture or drawing')
  const take = (name: string, buffer: Buffer) =>
    input.setInputFiles({ name, mimeType: 'application/octet-stream', buffer })
  await take('notes.png', Buffer.from('not a picture at all'))
  await expect(page.locator('p[role="alert"]')).toContainText('neither a PNG or JPEG picture')
  await take('half.png', roofPicture().subarray(0, 20))
  await expect(page.locator('p[role="alert"]')).toContainText('damaged')
  await take('plan.dxf', Buffer.from('0\nSECTION\n2\nENTITIES\n0\nLINE\nX'))
  await expect(page.locator('p[role="alert"]')).toContainText('line 7')

  await take('survey of the roof.png', roofPicture())
  await expect(page.getByText('Click a point of the picture or drawing')).toBeVisible()
  // 400 px lie over 40 m: the roof's corners are 20 m apart, and are told to be 14 m.
  const click = await clickingInPlan(page)
  await click(-10, 6)
  await click(10, 6)
  await page.keyboard.type('14m')
  await page.keyboard.press('Enter')
  const card = page.getByRole('complementary', { name: /survey of the roof/ })
  await expect(card).toContainText(`91' 10 1/2" × 68' 11"`)
  await saved(page)
  await page.reload()
  await settled(page)
  await chapter(page, 'Site')
  await page.getByRole('button', { name: /^survey of the roof picture/ }).click()
  await expect(card).toContainText(`91' 10 1/2"`)
  await expect(card.getByRole('alert')).toHaveCount(0)
  await page.keyboard.press('Escape')
  for (let k = 0; k < 2; k++) await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: /^survey of the roof picture/ })).toHaveCount(0)
  await saved(page)
})

test('an aerial picture is chosen by its season; one taken at a slant sits right at the eaves, or by two points', async ({
  page,
}) => {
  await opened(page, '25 Tern Street')
  const taken = page.getByLabel('Taken')
  await expect(taken.getByRole('option')).toHaveText([
    'May 14, 10:40',
    'March 6, 12:20, bare trees',
    'August 22, 13:05, at a slant',
  ])
  const tile = page.waitForResponse((response) => response.url().includes('picture=late-summer'))
  await taken.selectOption('late-summer')
  expect((await tile).status()).toBe(200)
  await expect(page.getByText(/^Aerial picture of August 22/)).toBeVisible()
  await expect(page.getByText('Taken from the south-east, 15° off vertical')).toBeVisible()
  // No roof stands yet: the height is typed, and the picture is shifted against its lean.
  await expect(page.getByRole('radio', { name: 'Eaves' })).toHaveCount(0)
  const height = page.getByLabel('Height', { exact: true })
  await height.fill('10 ft')
  await height.press('Enter')
  const east = page.getByLabel('Shift east')
  await expect(east).toHaveValue(`1' 11"`)
  await expect(page.getByLabel('Shift north')).toHaveValue(`-1' 11"`)
  await saved(page)
  await page.reload()
  await settled(page)
  await chapter(page, 'Site')
  await expect(east).toHaveValue(`1' 11"`)
  await page.getByRole('radio', { name: 'Ground' }).click()
  await expect(east).toHaveValue('0"')

  await page.getByRole('button', { name: 'By two points' }).click()
  await expect(page.getByText('Click a point of the aerial picture')).toBeVisible()
  const click = await clickingInPlan(page)
  await click(0, 0)
  await click(2, 0)
  await expect(page.getByText(/^Aerial picture moved/)).toBeVisible()
  await expect(east).toHaveValue(/^[67]' /)
  await east.fill('90 ft')
  await east.press('Enter')
  await expect(page.locator('p[role="alert"]')).toContainText('82')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Reset' }).click()
  await expect(east).toHaveValue('0"')
  expect((await page.request.get('/world/tiles/20/0/0.png?picture=..%2F..%2Fetc')).status()).toBe(404)
  await saved(page)
})

test('a large drawing is kept whole, and a larger one is refused', async ({ page }) => {
  await page.goto('/')
  const line = '0\nLINE\n8\nWALLS\n10\n0\n20\n0\n11\n1200\n21\n700\n'
  const of = (bytes: number) =>
    Buffer.from(`0\nSECTION\n2\nENTITIES\n${line.repeat(Math.ceil(bytes / line.length))}0\nENDSEC\n0\nEOF\n`)
  const large = of(14_000_000)
  const kept = await page.request.post('/api/files', { data: large })
  expect(kept.status()).toBe(201)
  const { id } = (await kept.json()) as { id: string }
  const back = await page.request.get(`/api/files/${id}`)
  expect(back.headers()).toMatchObject({
    'content-disposition': 'attachment',
    'content-type': 'image/vnd.dxf',
  })
  expect((await back.body()).equals(large)).toBe(true)
  expect((await page.request.post('/api/files', { data: of(17_000_000) })).status()).toBe(413)
})

test('a drawing says its size when its unit is chosen, hides a layer, and is traced by its corners', async ({
  page,
}) => {
  await opened(page, '23 Tern Street')
  await page
    .getByLabel('Add picture or drawing')
    .setInputFiles({ name: 'ground floor.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from(plan) })
  const asked = page.getByRole('group', { name: 'Unit of the drawing' })
  await expect(asked).toContainText('does not say its units')
  await asked.getByRole('button', { name: /^millimetres/ }).click()
  await expect(page.getByText('1 text or hatch is not shown')).toBeVisible()
  const card = page.getByRole('complementary', { name: /ground floor/ })
  await expect(card).toContainText(`39' 4 1/2" × 22' 11 1/2"`)
  await expect(card.getByLabel('GRID')).not.toBeChecked()
  await expect(card.getByLabel('WALLS')).toBeChecked()
  await page.keyboard.press('Escape')

  // A little beside each corner: the drawing holds.
  await page.keyboard.press('o')
  const click = await clickingInPlan(page)
  for (const [x, y] of [
    [-6.1, -3.4],
    [6.1, -3.6],
    [5.9, 3.6],
    [-5.9, 3.4],
    [-6.1, -3.4],
  ] as const)
    await click(x, y)
  const house = page.getByRole('complementary', { name: 'House, building' })
  await expect(house).toBeVisible()
  await expect(page.getByText(`39' 4 1/2"`).first()).toBeVisible()
  await expect(stage(page)).toBeVisible()
  await page.keyboard.press('Escape')
  for (let k = 0; k < 2; k++) await page.keyboard.press('Control+z')
  await expect(page.getByText('Choose “Outline” and click the corners')).toBeVisible()
  await saved(page)
})
