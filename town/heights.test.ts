import { fromArrayBuffer } from 'geotiff'
import { fitAround } from '@/core/fit/around'
import { objectsOf } from '@/core/fit/objects'
import { heightFile } from '@/core/heights/geotiff'
import { outlinesFor } from '@/core/fit/whose-outline'
import { outlinesIn } from '@/core/imports/geojson-outlines'
import { heightsAt, outlinesAt } from '@/services/survey'
import { askTown } from './ask'
import { townMap } from './town-map'
import { towns } from './towns'

test('by the world’s interface: outlines and heights of a place make its house, its neighbours and its trees', async () => {
  const [pellworth] = towns
  const lot = pellworth && townMap(pellworth).lots.find(({ address }) => address === '14 Saltmarsh Road')
  if (!lot) throw new Error('the shipped house stands in Pellworth')
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

test('nothing is known of a place in the sea', async () => {
  await expect(heightsAt(askTown, { latitudeDeg: 0, longitudeDeg: 0 })).rejects.toMatchObject({
    code: 'service-refused',
  })
  await expect(outlinesAt(askTown, { latitudeDeg: 0, longitudeDeg: 0 })).rejects.toMatchObject({
    code: 'service-refused',
  })
})
