import { fromArrayBuffer } from 'geotiff'
import { fitAround } from '@/core/fit/around'
import { objectsOf } from '@/core/fit/objects'
import { localOf, placeOf } from '@/core/geometry/geo'
import { centroid, containsPoint, signedArea } from '@/core/geometry/polygon'
import { add2, distance2, type Vec2 } from '@/core/geometry/vector'
import { heightFile } from '@/core/heights/geotiff'
import { outlinesFor } from '@/core/fit/whose-outline'
import { planOf } from '@/core/roof/plane'
import { openHeights } from '@/core/heights/open-heights'
import { unionOf } from '@/core/kinds/volume/join'
import { outlinesIn } from '@/core/imports/geojson-outlines'
import { heightsAt, outlinesAt } from '@/services/survey'
import { askTown } from './ask'
import { townMap } from './town-map'
import { towns } from './towns'

const [pellworth] = towns
const lotAt = (address: string) => {
  const lot = pellworth && townMap(pellworth).lots.find((one) => one.address === address)
  if (!lot) throw new Error(`there is no ${address}`)
  return lot
}

test('by the world’s interface: outlines and heights of a place make its house, its neighbours and its trees', async () => {
  const lot = lotAt('14 Saltmarsh Road')
  const { found } = outlinesIn(await outlinesAt(askTown, lot.place), 'outlines', lot.place)
  expect(found[0]?.name).toBe('14 Saltmarsh Road')
  const tiff = await fromArrayBuffer(await heightsAt(askTown, lot.place))
  const shares: number[] = []
  const outlines = outlinesFor(
    null,
    found.map(({ outline }) => outline),
  )
  const around = await fitAround(await heightFile(tiff, 'survey'), lot.place, outlines, (share) =>
    shares.push(share),
  )
  const { volumes, dormers, chimneys, agreement } = objectsOf(around.house, 'house')
  // The gabled bar of 34° with its cross wing, its shed dormer and its chimney.
  expect(agreement).toBeGreaterThan(0.97)
  expect(volumes).toHaveLength(1)
  expect(volumes[0]?.eaveHeightM).toBeCloseTo(3.4, 1)
  const pitches = volumes[0]?.edges.map((edge) => ('pitchDeg' in edge ? Math.round(edge.pitchDeg) : 'gable'))
  expect(pitches?.filter((pitch) => pitch === 34)).toHaveLength(5)
  expect(pitches?.filter((pitch) => pitch === 'gable')).toHaveLength(3)
  expect(dormers.map(({ form }) => form)).toEqual(['shed'])
  expect(chimneys).toHaveLength(1)
  expect(around.neighbours.length).toBeGreaterThan(0)
  expect(around.house.trees.some(({ heightM }) => Math.abs(heightM - 11) < 0.5)).toBe(true)
  expect(shares.at(-1)).toBe(1)
  expect(around.residuals.length % 3).toBe(0)
  expect(around.residuals.length).toBeGreaterThan(3_000)
}, 30_000)

test('a house that the survey of outlines does not have is found in the heights, its neighbours by the survey', async () => {
  const { place, volumes } = lotAt('13 Tern Street')
  const { found } = outlinesIn(await outlinesAt(askTown, place), 'outlines', place)
  expect(found.some(({ name }) => name === '13 Tern Street')).toBe(false)
  const outlines = outlinesFor(
    null,
    found.map(({ outline }) => outline),
  )
  expect(outlines.outline).toBeNull()
  const file = await openHeights(await heightsAt(askTown, place), 'survey')
  const around = await fitAround(file, place, outlines, () => undefined)
  const built = unionOf(volumes.map(({ outline }) => outline))
  expect(Math.abs(signedArea(around.house.outline) / signedArea(built) - 1)).toBeLessThan(0.04)
  expect(objectsOf(around.house, 'house').agreement).toBeGreaterThan(0.95)
  expect(around.neighbours.length).toBeGreaterThan(1)
  // Somebody whose survey has it a little beside does not get it twice: what overlaps the found house is no neighbour.
  const beside = around.house.outline.map((p): Vec2 => [p[0] + 3, p[1]])
  const again = await fitAround(
    file,
    place,
    { outline: null, others: [...outlines.others, beside] },
    () => undefined,
  )
  expect(again.neighbours).toHaveLength(around.neighbours.length)
  expect(again.neighboursLeft).toBe(around.neighboursLeft)
  // Without any survey the neighbours are found in the heights too.
  const alone = await fitAround(file, place, { outline: null, others: [] }, () => undefined)
  expect(alone.neighbours.length).toBeGreaterThan(1)
  for (const { outline } of alone.neighbours) {
    const p = centroid(outline)
    const known = found.find((one) => containsPoint(one.outline, p))?.outline
    // One that the survey does not have is found as well.
    if (known) expect(Math.abs(signedArea(outline) / signedArea(known) - 1)).toBeLessThan(0.06)
  }
}, 30_000)

test('an outline that lies beside the house is moved to it', async () => {
  const { place, volumes } = lotAt('7 Tern Street')
  const { found } = outlinesIn(await outlinesAt(askTown, place), 'outlines', place)
  const known = found.find(({ name }) => name === '7 Tern Street')?.outline
  if (!known) throw new Error('the survey has it')
  const built = unionOf(volumes.map(({ outline }) => outline)).map((p) =>
    localOf(place, placeOf(pellworth ?? place, p)),
  )
  const offM = (ring: readonly Vec2[]) =>
    Math.max(...ring.map((p) => Math.min(...built.map((q) => distance2(p, q)))))
  expect(offM(known)).toBeGreaterThan(1)
  const file = await openHeights(await heightsAt(askTown, place), 'survey')
  const { house } = await fitAround(file, place, { outline: known, others: [] }, () => undefined)
  expect(offM(house.outline)).toBeLessThan(0.35)
}, 30_000)

test('heights that lie beside the outlines say by how much, and shifted they make the same house there', async () => {
  const { place } = lotAt('14 Saltmarsh Road')
  const { found } = outlinesIn(await outlinesAt(askTown, place), 'outlines', place)
  const { outline, others } = outlinesFor(
    null,
    found.map((one) => one.outline),
  )
  if (!outline) throw new Error('the survey has it')
  const file = await openHeights(await heightsAt(askTown, place), 'survey')
  const byM: Vec2 = [1.3, -0.9]
  const moved = (ring: readonly Vec2[]) => ring.map((p) => add2(p, byM))
  const fit = (rings: typeof moved, shiftM: Vec2) =>
    fitAround(file, place, { outline: rings(outline), others: others.map(rings) }, () => undefined, {
      shiftM,
    })
  const right = await fit((ring) => [...ring], [0, 0])
  expect(right.offset?.buildings).toBeGreaterThan(1)
  expect(Math.hypot(...(right.offset?.byM ?? [NaN]))).toBeLessThan(0.25)
  const beside = await fit((ring) => [...ring], byM)
  expect(Math.abs((beside.offset?.byM[0] ?? NaN) + byM[0])).toBeLessThan(0.25)
  expect(Math.abs((beside.offset?.byM[1] ?? NaN) + byM[1])).toBeLessThan(0.25)
  const there = await fit(moved, byM)
  expect(there.house.planes).toHaveLength(right.house.planes.length)
  for (const [i, plane] of there.house.planes.entries()) {
    const same = right.house.planes[i]
    expect(plane.pitchDeg).toBeCloseTo(same?.pitchDeg ?? NaN, 0)
    expect(
      distance2(planOf(plane.corners)[0] ?? [NaN, NaN], moved(planOf(same?.corners ?? []))[0] ?? [0, 0]),
    ).toBeLessThan(0.05)
  }
}, 30_000)

test('about one house in eleven is not in the survey and as many lie beside; the shipped ones are known', async () => {
  const named = await Promise.all(
    (pellworth ? townMap(pellworth).lots : [])
      .filter((_, k) => k % 4 === 0)
      .map(async (lot) => {
        const { found } = outlinesIn(await outlinesAt(askTown, lot.place), 'outlines', lot.place)
        return found.some(({ name }) => name === lot.address)
      }),
  )
  const missing = named.filter((isThere) => !isThere).length / named.length
  expect(missing).toBeGreaterThan(0.02)
  expect(missing).toBeLessThan(0.2)
})

test('nothing is known of a place in the sea', async () => {
  await expect(heightsAt(askTown, { latitudeDeg: 0, longitudeDeg: 0 })).rejects.toMatchObject({
    code: 'service-refused',
  })
  await expect(outlinesAt(askTown, { latitudeDeg: 0, longitudeDeg: 0 })).rejects.toMatchObject({
    code: 'service-refused',
  })
})
