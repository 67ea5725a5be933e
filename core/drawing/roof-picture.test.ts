import { volumeGeometry } from '../kinds/volume/geometry'
import { type Volume } from '../kinds/volume/volume'
import { assembleSite, emptySite } from '../site/site'
import { roofPicture } from './roof-picture'

const volume: Volume = {
  id: 'volume-1',
  kind: 'volume',
  flat: null,
  name: 'House',
  role: 'house',
  outline: [
    [0, 0],
    [10, 0],
    [10, 5],
    [0, 5],
  ],
  eaveHeightM: 3,
  edges: [30, 30, 30, 30].map((pitchDeg) => ({ pitchDeg })),
}
const site = assembleSite(
  [{ id: volume.id, kind: 'volume', key: 'a', geometry: volumeGeometry(volume), carries: null }],
  true,
)

test('the picture fits its frame, north up, the sunny planes apart', () => {
  const parts = roofPicture(site)
  expect(parts).toHaveLength(4)
  const xs = parts.flatMap((part) => part.points.map((p) => p[0]))
  expect(Math.min(...xs)).toBeCloseTo(12, 6)
  expect(Math.max(...xs)).toBeCloseTo(88, 6)
  const south = parts.find((part) => Math.max(...part.points.map((p) => p[1])) > 68 && part.tone === 'shaded')
  expect(south).toBeDefined()
  expect(new Set(parts.map((part) => part.tone))).toEqual(new Set(['roof', 'shaded']))
})

test('what stands through a roof is drawn over it, whichever was drawn first', () => {
  const tower: Volume = {
    ...volume,
    id: 'tower',
    outline: [
      [4, 2],
      [5, 2],
      [5, 3],
      [4, 3],
    ],
    eaveHeightM: 7,
  }
  const both = [tower, volume].map((one) => ({
    id: one.id,
    kind: 'volume' as const,
    key: one.id,
    geometry: volumeGeometry(one),
    carries: null,
  }))
  const widthOf = ({ points }: { readonly points: readonly (readonly [number, number])[] }) =>
    Math.max(...points.map(([x]) => x)) - Math.min(...points.map(([x]) => x))
  const widths = roofPicture(assembleSite(both, true)).map(widthOf)
  expect(widths).toHaveLength(8)
  expect(Math.min(...widths.slice(0, 4))).toBeGreaterThan(Math.max(...widths.slice(4)))
})

test('nothing drawn, no picture', () => {
  expect(roofPicture(emptySite)).toEqual([])
})
