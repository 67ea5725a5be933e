import { fitHouse } from '@/core/fit/fit'
import { rasterOf } from '@/core/fit/testing'
import { type Vec2 } from '@/core/geometry/vector'
import { bench, gabledHouse } from '../tools/testing'
import { guideOf, takePitch } from './by-heights'

const outline: Vec2[] = [
  [-5, -4],
  [5, -4],
  [5, 4],
  [-5, 4],
]
/** Steeper to the south than to the north. */
const read = fitHouse(
  rasterOf(([x, y]) => {
    if (Math.abs(x) > 5 || Math.abs(y) > 4) return 0
    return 3.4 + Math.min((y + 4) * Math.tan((40 * Math.PI) / 180), (4 - y) * Math.tan((30 * Math.PI) / 180))
  }, 0.04),
  outline,
)
const [south, north] = [180, 0].map((azimuthDeg) =>
  read.planes.find((plane) => Math.cos(((plane.azimuthDeg - azimuthDeg) * Math.PI) / 180) > 0.9),
)
if (!south || !north) throw new Error('the house has two sides')

test('an outline that is traced holds on to the lines and takes its roof from the heights', () => {
  const b = bench()
  b.underLines.set('heights', guideOf(read, b.context.sayer()))
  b.tools.take('trace')
  // Each corner a little beside the one that was read.
  for (const [x, y] of outline) b.click(x + 0.15, y - 0.1)
  expect(b.session.getState().sketch?.points[1]?.[0]).toBeCloseTo(5, 1)
  b.key('Enter')
  const volume = b.volume()
  if (volume?.kind !== 'volume') throw new Error('a house was traced')
  volume.outline.forEach(([x, y], i) => {
    expect(Math.hypot(x - (outline[i]?.[0] ?? 0), y - (outline[i]?.[1] ?? 0))).toBeLessThan(0.1)
  })
  expect(volume.eaveHeightM).toBeCloseTo(3.4, 1)
  const pitches = volume.edges.map((edge) => ('pitchDeg' in edge ? Math.round(edge.pitchDeg) : 'gable'))
  expect(pitches).toEqual([40, 'gable', 30, 'gable'])
  expect(b.session.getState().toast?.text).toMatch(/^Eave at 3\.4\d? m, .* from the heights\.$/)
  b.documents.undo()
  expect(b.volume()).toBeUndefined()
  // Without them it is the usual roof, and nothing is said.
  b.underLines.set('heights', null)
  b.session.setState({ toast: null })
  b.tools.take('trace')
  for (const [x, y] of outline) b.click(x, y)
  b.key('Enter')
  expect(b.volume()).toMatchObject({ eaveHeightM: 3, edges: outline.map(() => ({ pitchDeg: 30 })) })
  expect(b.session.getState().toast).toBeNull()
})

test('what is traced beside the house that was read has the usual roof', () => {
  const b = bench()
  b.underLines.set('heights', guideOf(read, b.context.sayer()))
  b.tools.take('trace')
  for (const [x, y] of outline) b.click(x + 30, y)
  b.key('Enter')
  expect(b.volume()).toMatchObject({ eaveHeightM: 3 })
})

test('the pitch of a plane goes to the side it rises from, as a step to undo', () => {
  const b = bench({ house: gabledHouse(22) })
  const parts = { documents: b.documents, session: b.session, sayer: b.context.sayer() }
  takePitch(south, parts)
  const edges = () => {
    const volume = b.volume()
    return volume?.kind === 'volume' ? volume.edges : []
  }
  expect(edges()).toEqual([{ pitchDeg: 40 }, { gable: true }, { pitchDeg: 22 }, { gable: true }])
  expect(b.session.getState().toast?.text).toContain('House: side to 180°')
  expect(b.session.getState().toast?.step).not.toBeNull()
  takePitch(north, parts)
  expect(edges()[2]).toEqual({ pitchDeg: 30 })
  b.documents.undo()
  expect(edges()[2]).toEqual({ pitchDeg: 22 })
})

test('a half-hip keeps where it begins; a level, a locked or a missing house is left as it is', () => {
  const half = gabledHouse(22)
  const profile: [number, number][] = [
    [0, 90],
    [1, 22],
  ]
  const b = bench({ house: { ...half, edges: [{ profile }, ...half.edges.slice(1)] } })
  takePitch(south, { documents: b.documents, session: b.session, sayer: b.context.sayer() })
  expect(b.volume()).toMatchObject({
    edges: [
      {
        profile: [
          [0, 90],
          [1, 40],
        ],
      },
      {},
      {},
      {},
    ],
  })
  for (const house of [{ ...half, flat: { parapetM: 0.4 } }, { ...half, locked: true }, null]) {
    const other = bench(house ? { house } : {})
    const before = other.documents.house
    takePitch(south, { documents: other.documents, session: other.session, sayer: other.context.sayer() })
    expect(other.documents.house).toBe(before)
    expect(other.session.getState().toast?.text).toMatch(
      /falls by 40\.?\d*° to 180°; it rests on \d+ heights/,
    )
  }
})
