import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { chapter, saved, settled } from './bench'
import { clickingInPlan } from './plan'

test('an L-shaped house with a gable, a dormer, carports, a fence and a measured pitch, exported and undone', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('15 tern street')
  await page.getByRole('option', { name: '15 Tern Street, Pellworth' }).click()
  await settled(page)
  await page.keyboard.press('o')
  const click = await clickingInPlan(page)
  const list = (name: RegExp) => page.getByRole('button', { name })
  const corners = [
    [-7, -4],
    [7, -4],
    [7, 8],
    [2, 8],
    [2, 4],
    [-7, 4],
    [-7, -4],
  ] as const
  for (const [x, y] of corners) await click(x, y)
  const card = page.getByRole('complementary', { name: 'House, building' })
  await expect(card).toBeVisible()
  await card.getByLabel('Form of edge 3').selectOption('gable')
  // A corner is split off a side by the card and taken out again.
  await expect(card.getByLabel('Form of edge 7')).toHaveCount(0)
  await card.getByLabel('Form of edge 1').focus()
  await card.getByRole('button', { name: 'split of edge 1' }).click()
  await expect(card.getByLabel('Form of edge 7')).toBeVisible()
  await card.getByLabel('Form of edge 2').focus()
  await card.getByRole('button', { name: 'delete its first corner of edge 2' }).click()
  await expect(card.getByLabel('Form of edge 7')).toHaveCount(0)
  await page.keyboard.press('Escape')

  await page.keyboard.press('d')
  await click(-3, -3)
  await expect(list(/^Dormer gable dormer/)).toBeVisible()

  // The pitch from two heights on the south slope: a metre further in, 80 cm higher.
  await page.keyboard.press('u')
  await click(3, -3)
  await page.keyboard.type('0m')
  await page.keyboard.press('Enter')
  await click(4, -2)
  await page.keyboard.type('80cm')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Enter sets the pitch/)).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^Pitch 3\d(\.\d)?° from 2 heights/)).toBeVisible()

  // Two carports, back to back by copy and mirror.
  await page.keyboard.press('a')
  await click(13, -8)
  await expect(list(/^Carport carport/)).toBeVisible()
  await page.keyboard.press('Control+d')
  await page.keyboard.press('j')
  await expect(list(/^Carport 2 carport/)).toBeVisible()
  await expect(page.getByRole('row', { name: /^North, Carport 2 5°/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /^South, Carport 5°/ })).toBeVisible()

  // A plane tells its measures where it is clicked, and is called what somebody calls it.
  await page.getByRole('button', { name: 'South, House', exact: true }).click()
  const planes = page.getByRole('table')
  await expect(planes).toContainText('Eave')
  await planes.getByLabel('Name').fill('Kitchen side')
  await planes.getByLabel('Name').press('Enter')
  await expect(page.getByRole('row', { name: /^Kitchen side/ })).toBeVisible()

  await page.keyboard.press('h')
  await click(-14, -12)
  await click(-14, 10)
  await page.keyboard.press('Enter')
  const fence = page.getByRole('complementary', { name: /^Fence/ })
  await fence.getByLabel('Type').selectOption('hedge')
  await expect(fence.getByLabel('Height')).toHaveValue(`6' 6 1/2"`)

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'DXF' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('15-Tern-Street-Pellworth.dxf')
  const drawing = readFileSync(await download.path(), 'utf8')
  expect(drawing.match(/ROOF-PLANES/g)?.length).toBeGreaterThan(20)

  await saved(page)
  await page.reload()
  await settled(page)
  await expect(list(/^Carport 2 carport/)).toBeVisible()
  // All of it undone.
  await page.locator('body').click({ position: { x: 640, y: 20 } })
  for (let k = 0; k < 15; k++) await page.keyboard.press('Control+z')
  await expect(page.getByText('Choose “Outline” and click the corners')).toBeVisible()
  await saved(page)
})

test('buildings come from a file of outlines: the house, a neighbour, and what was left out and why', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('17 tern street')
  await page.getByRole('option', { name: '17 Tern Street, Pellworth' }).click()
  await settled(page)
  await chapter(page, 'Site')
  const place = await page.getByText(/^\d+\.\d{4}° N, \d+\.\d{4}° W$/).textContent()
  const [lat = 0, lon = 0] = (place ?? '').match(/\d+\.\d+/g)?.map(Number) ?? []
  // A hundred thousandth of a degree is about a metre; the place is told to some ten.
  const square = (east: number, side: number) => ({
    type: 'Feature',
    properties: null,
    geometry: {
      type: 'Polygon',
      coordinates: [
        [
          [-lon + east, lat - side],
          [-lon + east + 2 * side, lat - side],
          [-lon + east + 2 * side, lat + side],
          [-lon + east, lat + side],
          [-lon + east, lat - side],
        ],
      ],
    },
  })
  const features = [square(0.0008, 0.00006), square(-0.0001, 0.0001), { type: 'Feature', geometry: null }]
  const take = (name: string, text: string) =>
    page
      .getByLabel('Import outlines (GeoJSON)')
      .setInputFiles({ name, mimeType: 'application/geo+json', buffer: Buffer.from(text) })
  await chapter(page, 'Shape')
  await take('house.geojson', '<svg/>')
  await expect(page.getByRole('alert').filter({ hasText: 'house.geojson' })).toBeVisible()
  await take('lots.geojson', JSON.stringify({ type: 'FeatureCollection', features }))
  await expect(page.getByText('2 buildings taken; left out: feature 3 (no polygon).')).toBeVisible()
  await expect(page.getByRole('button', { name: /^House building/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Building 2 neighbour/ })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Choose “Outline” and click the corners')).toBeVisible()
})
