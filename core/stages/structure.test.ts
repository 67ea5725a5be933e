import { freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { mountings } from '@/town/mountings'
import { containsPoint, nearestOnSegment } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { defaultArray, type PanelArray } from '../kinds/array/array'
import { coverId } from '../kinds/cover/cover'
import { type Objects } from '../kinds/documents'
import { siteId } from '../kinds/site/site'
import { type Volume } from '../kinds/volume/volume'
import { seededRandom } from '../model/random'
import { frameOf, toFrame } from '../layout/plane-frame'
import { roofCoverings } from '../structure/mounting'
import { terrains } from '../structure/wind'
import { siteStage } from './site'
import { structureStage } from './structure'

const random = seededRandom(2_035)
const between = (low: number, high: number) => low + random() * (high - low)
const oneOf = <T>(list: readonly T[]): T => {
  const found = list[Math.floor(random() * list.length)]
  if (found === undefined) throw new Error('it has some')
  return found
}

/** A house of a rectangle or an L, hipped, gabled or flat. */
function someHouse(): Volume {
  const [w, d] = [between(7, 16), between(7, 12)]
  const [cx, cy] = [w * between(0.4, 0.7), d * between(0.4, 0.7)]
  const outline: Vec2[] =
    random() < 0.5
      ? [
          [0, 0],
          [w, 0],
          [w, d],
          [0, d],
        ]
      : [
          [0, 0],
          [w, 0],
          [w, cy],
          [cx, cy],
          [cx, d],
          [0, d],
        ]
  const pitchDeg = between(8, 50)
  return {
    id: 'house',
    kind: 'volume',
    name: 'House',
    role: 'house',
    outline,
    eaveHeightM: between(2.4, 8),
    edges: outline.map((_, i) => (i % 2 === 1 && random() < 0.3 ? { gable: true } : { pitchDeg })),
    flat: random() < 0.2 ? { parapetM: oneOf([0, 0.4]) } : null,
  }
}

/** Where a point lies off a polygon, m; 0 inside. */
const offM = (ring: readonly Vec2[], p: Vec2) =>
  containsPoint(ring, p)
    ? 0
    : Math.min(...ring.map((a, i) => nearestOnSegment(a, ring[(i + 1) % ring.length] ?? a, p).distanceM))

test('on 150 seeded houses every module is held on rails or weighed down, feet stand on the roof, all figures are figures', async () => {
  const graph = freshGraph()
  const seen = { rails: 0, ballast: 0, unheld: 0 }
  for (let k = 0; k < 150; k++) {
    const house: Objects = {
      ...Object.fromEntries(
        Object.entries(job.house).filter(([, { kind }]) => kind === 'load' || kind === 'tariff'),
      ),
      [siteId]: {
        ...job.house[siteId],
        windMs: between(15, 60),
        windMean: oneOf(['ten-minutes', 'three-seconds']),
        terrain: oneOf(terrains),
        snowLoadKpa: between(0, 4),
        roofCovering: oneOf(roofCoverings),
        rafterSpacingM: between(0.3, 1.2),
      } as Objects[string],
      house: someHouse(),
    }
    const arrays = [0, 1, 2, 3].map((edgeIndex): PanelArray => ({
      ...defaultArray,
      id: `array-${edgeIndex}`,
      volumeId: 'house',
      edgeIndex,
      orientation: oneOf(['portrait', 'landscape', 'best']),
      pattern: oneOf(['aligned', 'shifted', 'mixed', 'fullest']),
      ...(random() < 0.3 ? { turnDeg: between(-90, 90) } : {}),
    }))
    const design: Objects = {
      ...Object.fromEntries(Object.entries(option).filter(([, { kind }]) => kind !== 'array')),
      [coverId]: { ...option[coverId], footEvery: oneOf([null, null, 1, 3]) } as Objects[string],
      ...Object.fromEntries(arrays.map((array) => [array.id, array])),
    }
    const run = runOf(await worldOf(house, design), graph)
    const site = run.value(siteStage)
    for (const holding of run.value(structureStage)) {
      seen[holding.is]++
      if (holding.is === 'unheld') continue
      const array = site.arrays.find(({ id }) => id === holding.arrayId)
      const plane = array?.margins?.plane
      if (!array || !plane) throw new Error('what is held lies on a plane')
      expect(mountings).toContainEqual(holding.mounting)
      expect(Number.isFinite(holding.weightKg + holding.deadKpa + holding.windKpa)).toBe(true)
      if (holding.is === 'ballast') {
        expect(holding.trays.map(({ panelId }) => panelId)).toEqual(array.panels.map(({ id }) => id))
        continue
      }
      const runs = holding.clamps.filter(({ is }) => is === 'end').length / 4
      const gaps = holding.clamps.filter(({ is }) => is === 'middle').length / 2
      expect(runs + gaps).toBe(array.panels.length)
      const frame = frameOf(plane)
      const ring = plane.corners.map((corner) => toFrame(frame, corner))
      for (const rail of holding.rails) {
        const along = Math.hypot(...rail.ends[1].map((v, i) => v - (rail.ends[0][i] ?? 0)))
        expect(along).toBeCloseTo(rail.lengthM, 6)
        for (const { at, upKn, downKn } of rail.feet) {
          expect(offM(ring, toFrame(frame, at))).toBeLessThan(0.001)
          expect(upKn).toBeGreaterThanOrEqual(0)
          expect(Number.isFinite(upKn + downKn)).toBe(true)
        }
        expect(rail.spanM > 0).toBe(rail.feet.length > 1)
      }
    }
  }
  expect(seen.rails).toBeGreaterThan(200)
  expect(seen.ballast).toBeGreaterThan(10)
  expect(seen.unheld).toBeGreaterThan(5)
}, 120_000)
