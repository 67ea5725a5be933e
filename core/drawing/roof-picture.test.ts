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

test('nothing drawn, no picture', () => {
  expect(roofPicture(emptySite)).toEqual([])
})
