import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Fault } from '@/core/model/fault'
import { stationEpw } from '@/town/stations'
import { answerLine, linesOf } from './lines'

async function* chunksOf(...chunks: string[]): AsyncGenerator<string> {
  yield* chunks
}
const linesIn = async (chunks: AsyncIterable<string>, most?: number) => {
  const lines: string[] = []
  for await (const line of linesOf(chunks, most))
    lines.push(line instanceof Fault ? `${line.code} ${line.path}` : line)
  return lines
}

test('lines are the same however they are cut; blank ones count, the end of the last one does not', async () => {
  const text = 'one\r\ntwo\n\n{"a":\t1}\nlast'
  const whole = ['one', 'two', '', '{"a":\t1}', 'last']
  expect(await linesIn(chunksOf(text))).toEqual(whole)
  expect(await linesIn(chunksOf(...text))).toEqual(whole)
  expect(await linesIn(chunksOf(`${text}\n`))).toEqual(whole)
  expect(await linesIn(chunksOf(''))).toEqual([])
})

test('a line that is too long is refused by its number, and those after it are read', async () => {
  const long = 'x'.repeat(50)
  const refused = ['short', 'too-large line 2', 'next']
  expect(await linesIn(chunksOf(`short\n${long}\nnext\n`), 20)).toEqual(refused)
  expect(await linesIn(chunksOf(...`short\n${long}\nnext\n`), 20)).toEqual(refused)
  expect(await linesIn(chunksOf(`short\n${long}`), 20)).toEqual(refused.slice(0, 2))
})

test('an answer carries its time, a fault its sentence; what nobody expected is not swallowed', async () => {
  expect(JSON.parse(await answerLine('{}', () => ({ a: 1 })))).toEqual({
    a: 1,
    milliseconds: expect.any(Number) as number,
  })
  const refuse = () => {
    throw new Fault('short-outline', {}, 'outline')
  }
  expect(JSON.parse(await answerLine('{}', refuse))).toEqual({
    error: {
      code: 'short-outline',
      message: 'An outline needs at least three corners.',
      path: 'outline',
    },
  })
  const broken = () => {
    throw new RangeError('ours')
  }
  await expect(answerLine('{}', broken)).rejects.toThrow('ours')
})

const gable = (command: string, lines: readonly unknown[]) => {
  const { status, stdout } = spawnSync('node', ['bin/gable.mjs', command, '--lines'], {
    encoding: 'utf8',
    input: lines.map((line) => (typeof line === 'string' ? line : JSON.stringify(line))).join('\n'),
    maxBuffer: 1e9,
  })
  expect(status).toBe(0)
  return stdout
    .split('\n')
    .slice(0, -1)
    .map((line) => JSON.parse(line) as Record<string, unknown> & { error?: { code: string; path: string } })
}
const square = (side: number, pitchDeg = 45) => ({
  outline: [
    [0, 0],
    [side, 0],
    [side, side],
    [0, side],
  ],
  eaveHeightM: 3,
  edges: [pitchDeg, pitchDeg, pitchDeg, pitchDeg].map((deg) => ({ pitchDeg: deg })),
})

test('roof and layout: a case a line, an answer a line, in the same order, bad ones among them', () => {
  const roofs = gable('roof', [
    square(4),
    'no json',
    square(0.0005),
    square(8, 30),
    '',
    { outline: 3 },
    [],
    null,
  ])
  expect(roofs.map((answer) => answer.error?.code ?? answer['ridgeHeightM'])).toEqual([
    5,
    'not-json',
    'short-edge',
    expect.closeTo(3 + 4 / Math.sqrt(3), 9),
    'not-json',
    'bad-case',
    'bad-case',
    'bad-case',
  ])
  expect(roofs[5]?.error?.path).toBe('outline')
  const plane = {
    corners: [
      [0, 0, 0],
      [10, 0, 0],
      [10, 4, 0],
      [0, 4, 0],
    ],
  }
  const laid = {
    plane,
    setbacksM: [0.5, 0.5, 0.5, 0.5],
    module: { widthM: 1, lengthM: 2 },
    gapM: 0,
    orientation: 'best',
  }
  const layouts = gable('layout', [
    laid,
    { ...laid, orientation: 'portrait' },
    { ...laid, pattern: 'aligned' },
    { ...laid, pattern: 'loose' },
    { ...laid, setbacksM: [1] },
    { ...laid, plane: { corners: [...plane.corners.slice(0, 3), [0, 4, 1]] } },
    { ...laid, plane: { corners: plane.corners.map(([x = 0]) => [x, 0, 0]) } },
    { ...laid, plane: { corners: plane.corners.map(([x = 0, y = 0]) => [x, 0, y]) } },
  ])
  expect(layouts.map((answer) => answer.error?.path ?? answer['count'])).toEqual([
    13,
    9,
    12,
    'pattern',
    'setbacksM',
    'plane.corners.3',
    'plane.corners',
    'plane.corners',
  ])
}, 60_000)

test('roof: profiles, overhang and further volumes', () => {
  const outline = [
    [0, 0],
    [10, 0],
    [10, 8],
    [0, 8],
  ]
  const house = { outline, eaveHeightM: 3, edges: outline.map(() => ({ pitchDeg: 45 })) }
  const mansard = outline.map(() => ({
    profile: [
      [0, 70],
      [2, 20],
    ],
  }))
  const tower = {
    ...house,
    outline: outline.map(([x = 0, y = 0]) => [x * 0.2 + 1, y * 0.2 + 1]),
    eaveHeightM: 9,
  }
  const [plain, wide, steep, merged, tooSteep, badStep, tooHigh] = gable('roof', [
    house,
    { ...house, overhangM: 0.5 },
    { ...house, edges: mansard },
    { ...house, volumes: [tower] },
    { ...house, edges: [{ pitchDeg: 95 }] },
    { ...house, edges: [...house.edges.slice(1), { profile: [[1, 40]] }] },
    {
      ...house,
      edges: outline.map(() => ({
        profile: [
          [0, 90],
          [1e308, 30],
        ],
      })),
    },
  ])
  const planesOf = (answer: Record<string, unknown> | undefined) =>
    (answer?.['planes'] ?? []) as { id: string; areaM2: number; volume?: number; holes?: unknown[] }[]
  const area = (answer: Record<string, unknown> | undefined) =>
    planesOf(answer).reduce((sum, { areaM2 }) => sum + areaM2, 0)
  expect(area(plain)).toBeCloseTo(80 * Math.SQRT2, 6)
  expect(area(wide)).toBeCloseTo(11 * 9 * Math.SQRT2, 6)
  expect(wide?.['ridgeHeightM']).toBeCloseTo(7, 9)
  expect(planesOf(steep).map(({ id }) => id)).toContain('e2.1')
  expect(planesOf(merged).map(({ volume }) => volume)).toEqual([0, 0, 0, 0, 1, 1, 1, 1])
  expect(planesOf(merged).every(({ id, volume }) => id.startsWith('v1-') === (volume === 1))).toBe(true)
  expect(area(merged)).toBeCloseTo(80 * Math.SQRT2, 2)
  expect(tooSteep?.error?.path).toBe('edges.0.pitchDeg')
  expect([badStep?.error?.code, badStep?.error?.path]).toEqual(['bad-profile', 'edges.3.profile.0'])
  expect(tooHigh?.error?.path).toBe('edges.0.profile.1.0')
}, 60_000)

test('sun, poa and yield: options by their names, the weather read once', () => {
  const moment = { lat: 39.742476, lon: -105.1786, time: '2003-10-17T12:30:30-07:00', deltaT: 67 }
  const suns = gable('sun', [
    { ...moment, elevation: 1830.14, pressure: 820, temperature: 11 },
    { ...moment, lat: 91 },
    { ...moment, time: 'noon' },
  ])
  expect(suns[0]?.['zenithDeg']).toBeCloseTo(50.11162, 5)
  expect(suns.slice(1).map(({ error }) => `${error?.code} ${error?.path}`)).toEqual([
    'bad-case lat',
    'bad-time time',
  ])
  const weather = join(mkdtempSync(join(tmpdir(), 'gable-lines-')), 'year.epw')
  writeFileSync(weather, stationEpw('pellworth-pier') ?? '')
  const planes = gable('poa', [
    { weather, tilt: 30, azimuth: 180 },
    { weather, tilt: 30, azimuth: 0 },
    { weather: '/nowhere.epw', tilt: 30, azimuth: 0 },
    { weather, tilt: 300, azimuth: 0 },
    { weather, tilt: 30, azimuth: 180, model: 'guess' },
  ])
  expect(planes[0]?.['annualKwhM2']).toBeGreaterThan((planes[1]?.['annualKwhM2'] as number) * 1.3)
  expect(planes.slice(2).map(({ error }) => error?.path)).toEqual(['/nowhere.epw', 'tilt', 'model'])
  const array = { tiltDeg: 30, azimuthDeg: 180, modules: 10, module: { powerW: 400 } }
  const house = { weather, arrays: [array], inverter: { acPowerW: 3800 } }
  const yields = gable('yield', [
    house,
    { ...house, losses: { shading: 0.1 } },
    { ...house, arrays: [] },
    house,
  ])
  expect(yields[0]?.['acKwh']).toBeGreaterThan(4000)
  expect({ ...yields[3], milliseconds: 0 }).toEqual({ ...yields[0], milliseconds: 0 })
  expect(yields.slice(1, 3).map(({ error }) => error?.path)).toEqual(['losses.shading', 'arrays'])
}, 120_000)
