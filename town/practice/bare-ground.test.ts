import { fitAround } from '@/core/fit/around'
import { centroid } from '@/core/geometry/polygon'
import { openHeights } from '@/core/heights/open-heights'
import { cellAt } from '@/core/heights/raster'
import { heightsTiff } from '@/core/heights/write-geotiff'
import { practiceHouse } from './houses'
import { surveyed } from './survey'

const cellM = 0.25
/** Scrub all around the house, m: no ground is to be seen. */
const scrubM = 1.6

const house = practiceHouse(5, 'pellworth', 3)
const { grid, code, corner } = surveyed(house, { cellM, noiseM: 0.08, seed: 5 })
const groundAt = (k: number) => house.groundAt(cellAt(grid, k % grid.columns, Math.floor(k / grid.columns)))
const file = (heights: Float32Array, name: string) =>
  openHeights(heightsTiff(heights, grid.columns, grid.rows, code, corner, cellM).buffer as ArrayBuffer, name)
const surface = () =>
  file(
    grid.heights.map((height, k) => (height - groundAt(k) < 0.6 ? height + scrubM : height)),
    'surface.tif',
  )
const ground = () =>
  file(
    grid.heights.map((_, k) => groundAt(k)),
    'ground.tif',
  )
const outlines = { outline: house.outline, others: [] }
const trueGroundM = house.groundAt(centroid(house.outline))

test('where no ground is to be seen a second raster tells it, whichever comes first', async () => {
  const alone = await fitAround(await surface(), house.origin, outlines, () => undefined)
  expect(alone.house.groundM - trueGroundM).toBeGreaterThan(1.2)
  for (const [first, second] of [
    [await surface(), await ground()],
    [await ground(), await surface()],
  ] as const) {
    const both = await fitAround(first, house.origin, outlines, () => undefined, { second })
    expect(Math.abs(both.house.groundM - trueGroundM)).toBeLessThan(0.1)
    expect(both.house.planes.length).toBeGreaterThanOrEqual(alone.house.planes.length)
  }
}, 60_000)

test('two rasters of the same, or one of elsewhere, are refused by name', async () => {
  const fit = async (second: Awaited<ReturnType<typeof file>>) =>
    fitAround(await surface(), house.origin, outlines, () => undefined, { second })
  await expect(fit(await surface())).rejects.toMatchObject({ code: 'heights-alike' })
  const empty = await file(
    grid.heights.map(() => NaN),
    'empty.tif',
  )
  await expect(fit(empty)).rejects.toMatchObject({ code: 'heights-elsewhere', data: { file: 'empty.tif' } })
  const elsewhere = heightsTiff(
    grid.heights,
    grid.columns,
    grid.rows,
    code,
    [corner[0] + 9000, corner[1]],
    cellM,
  )
  await expect(fit(await openHeights(elsewhere.buffer as ArrayBuffer, 'other.tif'))).rejects.toMatchObject({
    code: 'heights-elsewhere',
    data: { file: 'other.tif' },
  })
}, 60_000)
