import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { boxIfc } from '@/core/imports/model/testing'
import { stationEpw } from '@/town/stations'

const folder = mkdtempSync(join(tmpdir(), 'gable-'))

function gable(args: readonly string[], input = '') {
  const { status, stdout, stderr } = spawnSync('node', ['bin/gable.mjs', ...args], {
    encoding: 'utf8',
    input,
  })
  const fault = stderr.split('\n').find((line) => line.startsWith('{"error"'))
  return {
    status,
    out: status === 0 ? (JSON.parse(stdout) as Record<string, unknown>) : {},
    error: fault ? (JSON.parse(fault) as { error: { code: string; path: string } }).error : null,
  }
}

test('sun: the published example', () => {
  const { out } = gable([
    'sun',
    '--lat',
    '39.742476',
    '--lon',
    '-105.1786',
    '--time',
    '2003-10-17T12:30:30-07:00',
    '--elevation',
    '1830.14',
    '--pressure',
    '820',
    '--temperature',
    '11',
    '--tilt',
    '30',
    '--azimuth',
    '170',
    '--delta-t',
    '67',
  ])
  expect(out['zenithDeg']).toBeCloseTo(50.11162, 5)
  expect(out['azimuthDeg']).toBeCloseTo(194.34024, 5)
  expect(out['incidenceDeg']).toBeCloseTo(25.187, 4)
  expect(out['sunrise']).toBe('2003-10-17T06:12:43-07:00')
})

test('poa and yield over a station’s year', () => {
  const file = join(folder, 'year.epw')
  writeFileSync(file, stationEpw('pellworth-pier') ?? '')
  const flat = gable(['poa', '--weather', file, '--tilt', '0', '--azimuth', '180']).out
  // On the horizontal: the year's global irradiation, but for the minutes around sunrise and sunset.
  expect(flat['annualKwhM2']).toBeGreaterThan(1442 * 0.99)
  expect(flat['annualKwhM2']).toBeLessThan(1442 * 1.01)
  const house = {
    weather: file,
    arrays: [{ tiltDeg: 30, azimuthDeg: 180, modules: 10, module: { powerW: 400 } }],
    inverter: { acPowerW: 3800 },
  }
  const made = gable(['yield'], JSON.stringify(house)).out
  expect(made['kwhPerKwp']).toBeGreaterThan(1150)
  expect(made['kwhPerKwp']).toBeLessThan(1450)
  const chain = made['lossChain'] as { kwh: number }[]
  expect(chain.at(-1)?.kwh).toBeCloseTo(made['acKwh'] as number, 3)
}, 60_000)

test('roof, layout, run, export and import', () => {
  const roof = gable(
    ['roof'],
    JSON.stringify({
      outline: [
        [0, 0],
        [10, 0],
        [10, 6],
        [0, 6],
      ],
      eaveHeightM: 3,
      edges: [45, 45, 45, 45].map((pitchDeg) => ({ pitchDeg })),
    }),
  ).out
  expect(roof['ridgeHeightM']).toBeCloseTo(6, 9)
  const layout = gable(
    ['layout'],
    JSON.stringify({
      plane: {
        corners: [
          [0, 0, 0],
          [10, 0, 0],
          [10, 4, 0],
          [0, 4, 0],
        ],
      },
      setbacksM: [0.5, 0.5, 0.5, 0.5],
      module: { widthM: 1, lengthM: 2 },
      gapM: 0,
      orientation: 'best',
    }),
  ).out
  // Nine upright, and four lying above them.
  expect(layout['count']).toBe(13)
  expect(layout['usableAreaM2']).toBeCloseTo(27, 2)
  const file = join(folder, 'job.json')
  expect(gable(['export', 'shipped', '--out', file]).status).toBe(0)
  const run = gable(['run', file, '--option', 'B']).out
  const ledger = run['ledger'] as {
    id: string
    label: string
    value: number
    unit: string
    explanation: object
  }[]
  // 11.0960 years if the battery did not fade and neither it nor the inverter were replaced; 15.8702 if it faded by 2 % a
  // year, and 15.6531 if it drew nothing itself then.
  expect(ledger.find(({ id }) => id === 'payback')).toMatchObject({
    label: 'Payback',
    value: expect.closeTo(15.8711, 3) as number,
    unit: 'years',
    written: '15.9 years',
    explanation: {
      formula: expect.stringContaining('covers what is paid') as string,
      inputs: expect.arrayContaining([
        { label: 'Energy price growth', value: 0.03, unit: 'share/year', written: '3.0 % a year' },
      ]) as object,
    },
  })
  expect(JSON.stringify(run)).not.toMatch(/undefined|NaN/)
  const spanish = gable(['run', file, '--language', 'es']).out
  expect(
    (spanish['ledger'] as { id: string; label: string }[]).find(({ id }) => id === 'yield')?.label,
  ).not.toBe('Yield')
  expect(gable(['import', file]).out['format']).toBe('tall-gable-job')
}, 60_000)

test('shade: a scene with weather, hour by hour', () => {
  const scene = {
    site: { lat: 41.6, lon: -71.4, timeZoneHours: -5, elevationM: 18 },
    year: 2025,
    surfaces: ['open', 'behind'].map((id, i) => ({
      id,
      corners: [
        [50 * i, 0, 0],
        [50 * i + 1, 0, 0],
        [50 * i + 1, 1.6, 0.6],
        [50 * i, 1.6, 0.6],
      ],
    })),
    occluders: [
      {
        id: 'wall',
        kind: 'prism',
        base: [
          [45, -4],
          [56, -4],
          [56, -3.5],
          [45, -3.5],
        ],
        bottomM: 0,
        topM: 4,
      },
    ],
  }
  const file = join(folder, 'lit.csv')
  const weather = join(folder, 'scene.epw')
  writeFileSync(weather, stationEpw('pellworth-pier') ?? '')
  const { out } = gable(['shade', '--weather', weather, '--hourly', file], JSON.stringify(scene))
  const [open, behind] = out['surfaces'] as {
    id: string
    skyView: number
    beamShadedShare: number
    sunAccess: number
    monthlySunAccess: number[]
    lossByOccluder: Record<string, number>
  }[]
  if (!open || !behind) throw new Error('two surfaces')
  expect(open).toMatchObject({ id: 'open', skyView: 1, sunAccess: expect.closeTo(1, 3) as number })
  expect(behind.beamShadedShare).toBeGreaterThan(0.2)
  expect(behind.lossByOccluder['wall']).toBeCloseTo(behind.beamShadedShare, 4)
  // The low winter sun is behind the wall, the high one of summer over it.
  expect(behind.monthlySunAccess[11]).toBeLessThan((behind.monthlySunAccess[5] ?? 0) - 0.2)
  const lines = readFileSync(file, 'utf8').trim().split(/\r?\n/)
  expect(lines).toHaveLength(8761)
  expect(lines[0]).toBe('time,open,behind')
  expect(
    gable(['shade'], JSON.stringify({ ...scene, surfaces: [{ id: 'x', corners: [[0, 0, 0]] }] })),
  ).toMatchObject({
    status: 2,
    error: { code: 'bad-case' },
  })
}, 60_000)

test('a job’s geometry as DXF, GLB and GeoJSON, and its roof plan', () => {
  const made = (format: string) => {
    const file = join(folder, `house.${format}`)
    const { out } = gable(['export', 'valdecorva', '--format', format, '--out', file])
    // House, stair house, carport, olive, neighbour; east-west pairs on the roof and three rows on the carport.
    expect(out).toMatchObject({ objects: 7, modules: 24 })
    return readFileSync(file)
  }
  expect(made('dxf').toString()).toMatch(/ROOF-PLANES/)
  expect(made('glb').subarray(0, 4).toString()).toBe('glTF')
  const { features } = JSON.parse(made('geojson').toString()) as { features: { properties: object }[] }
  expect(features).toContainEqual(
    expect.objectContaining({
      properties: expect.objectContaining({ sort: 'roof plane', of: 'Carport' }) as object,
    }),
  )
  const plan = join(folder, 'plan.svg')
  expect(gable(['export', 'tarrowee', '--format', 'plan-svg', '--out', plan]).out).toMatchObject({
    arrays: 1,
  })
  expect(readFileSync(plan, 'utf8')).toMatch(/<g id="modules"[^]*9 Quandong Street[^]*<\/svg>/)
  const mounting = join(folder, 'mounting.csv')
  expect(gable(['export', 'valdecorva', '--format', 'mounting-csv', '--out', mounting]).out).toMatchObject({
    parts: 2,
  })
  expect(readFileSync(mounting, 'utf8')).toMatch(
    /^maker,mounting,part,count,length_m,weight_kg\nPendrell,.*,tray,12,,\n/,
  )
  expect(gable(['export', 'shipped', '--format', 'dxf', '--out', join(folder, 'no', 'x.dxf')])).toMatchObject(
    {
      status: 2,
      error: { code: 'no-file' },
    },
  )
}, 60_000)

test('a 3D model becomes an object of a house; what its file does not say is asked for', () => {
  const obj = join(folder, 'water tower.obj')
  writeFileSync(obj, 'v 0 0 0\nv 300 0 0\nv 0 300 0\nv 0 0 900\nf 1 3 2\nf 1 2 4\nf 2 3 4\nf 3 1 4\n')
  expect(gable(['import', obj, '--as', 'model']).error?.code).toBe('model-unit')
  expect(gable(['import', obj, '--as', 'model', '--unit', 'cm']).error?.code).toBe('model-up')
  const { out } = gable(['import', obj, '--as', 'model', '--unit', 'cm', '--up', 'z'])
  expect(out).toMatchObject({ kind: 'body', name: 'water tower', background: false })
  expect(out['vertices']).toContainEqual([-1.5, -1.5, 9])
  const ifc = join(folder, 'hall.ifc')
  writeFileSync(ifc, boxIfc())
  expect(gable(['import', ifc, '--as', 'model']).out).toMatchObject({ name: 'hall', background: true })
  writeFileSync(ifc, boxIfc().slice(0, 2000))
  expect(gable(['import', ifc, '--as', 'model'])).toMatchObject({ status: 2, error: { code: 'broken-ifc' } })
}, 60_000)

test('a job’s file is computed with the data sheets it brings, whatever the catalogue says by now', () => {
  const file = join(folder, 'whole.json')
  gable(['export', 'shipped', '--out', file])
  const whole = JSON.parse(readFileSync(file, 'utf8')) as { equipment: { modules: { powerW: number }[] } }
  const yieldOf = () =>
    (gable(['run', file]).out['ledger'] as { id: string; value: number }[]).find(({ id }) => id === 'yield')
      ?.value ?? NaN
  const before = yieldOf()
  const [module] = whole.equipment.modules
  if (!module) throw new Error('the file has a module')
  module.powerW *= 0.5
  writeFileSync(file, JSON.stringify(whole))
  expect(yieldOf() / before).toBeLessThan(0.7)
  module.powerW = -1
  writeFileSync(file, JSON.stringify(whole))
  expect(gable(['run', file])).toMatchObject({
    status: 2,
    error: { code: 'bad-equipment', path: 'equipment.modules.0.powerW' },
  })
}, 60_000)

test.each([
  [['sun', '--lat', 'abc', '--lon', '0', '--time', '2024-01-01T00:00:00Z'], '', 'bad-option'],
  [['sun', '--lat', '0', '--lon', '0', '--time', 'noon'], '', 'bad-time'],
  [['roof'], 'not json', 'not-json'],
  [['roof'], '{"outline": [[0,0],[1,0]], "eaveHeightM": 3, "edges": []}', 'bad-case'],
  [
    ['roof'],
    '{"outline": [[0,0],[10,6],[10,0],[0,6]], "eaveHeightM": 3, "edges": [{"pitchDeg":30},{"pitchDeg":30},{"pitchDeg":30},{"pitchDeg":30}]}',
    'crossing-outline',
  ],
  [['run', '/nowhere.json'], '', 'no-file'],
  [['run', 'shipped', '--world', '/nowhere'], '', 'no-file'],
  [['run', 'shipped', '--world', 'http://127.0.0.1:1'], '', 'service-away'],
  [['poa', '--tilt', '3'], '', 'bad-case'],
  [['run', 'shipped', '--language', 'xx'], '', 'invalidArgument'],
  [['run', 'shipped', '--option', 'Z'], '', 'no-such-option'],
] as const)('bad input ends with 2 and says why: %j', (args, input, code) => {
  const { status, error } = gable(args, input)
  expect(status).toBe(2)
  expect(error?.code).toBe(code)
})

test('finance: by hand, and a list of savings that ends too early is refused', () => {
  const plan = { years: 3, capital: 1000, incentives: 100, upkeep: 0, discountRate: 0.05 }
  const { out } = gable(['finance'], JSON.stringify({ ...plan, savings: [400, 400, 400] }))
  expect(out).toMatchObject({ cashFlow: [-900, 400, 400, 400], paybackYears: 2.25 })
  expect(gable(['finance'], JSON.stringify({ ...plan, savings: [400, 400] }))).toMatchObject({
    status: 2,
    error: { code: 'bad-case', path: 'savings' },
  })
}, 30_000)

test('parts and diagram of a shipped job, and a form that is not written', () => {
  const { out } = gable(['parts', 'shipped', '--option', 'B'])
  const lines = out['lines'] as { part: string; count: number; why: string; price?: number }[]
  expect(lines[0]).toMatchObject({ part: 'Modules, Lumenfold 420 M', count: 17, why: 'As laid in 2 arrays.' })
  expect(out['total']).toBe(lines.reduce((sum, { count, price }) => sum + count * (price ?? 0), 0))
  const file = join(folder, 'diagram.svg')
  expect(gable(['diagram', 'valdecorva', '--out', file]).status).toBe(0)
  expect(readFileSync(file, 'utf8')).toMatch(/three-phase|single-phase/)
  expect(gable(['diagram', 'shipped', '--out', join(folder, 'diagram.gif')]).error?.code).toBe('bad-form')
})

test('a quote request of the parts, and its answer read back', () => {
  const request = join(folder, 'quote.csv')
  const { out } = gable(['parts', 'shipped', '--quote', request])
  const lines = out['lines'] as { count: number; price?: number }[]
  const [heading = '', ...rows] = readFileSync(request, 'utf8').trim().split('\n')
  expect(heading).toBe('line,part,count,unit,price')
  expect(rows).toHaveLength(lines.length)
  expect(rows[0]).toBe('module/lumenfold-420,"Modules, Lumenfold 420 M",17,piece,')
  // Two for each of whatever it is, and a line that is of another list.
  const answer = join(folder, 'answer.csv')
  writeFileSync(answer, [heading, ...rows.map((row) => `${row}2`), 'ladder,Ladder,1,piece,90'].join('\n'))
  const priced = gable(['parts', 'shipped', '--prices', answer])
  expect(priced.out['total']).toBe(2 * lines.reduce((sum, { count }) => sum + count, 0))
  expect(priced.out['unknown']).toEqual(['ladder'])
  writeFileSync(answer, `${heading}\nfoot,Feet,40,piece,cheap\n`)
  expect(gable(['parts', 'shipped', '--prices', answer]).error).toMatchObject({ code: 'prices-cell' })
  expect(gable(['parts', 'shipped', '--quote', join(folder, 'quote.doc')]).error).toMatchObject({
    code: 'bad-quote-form',
    path: 'quote',
  })
})

test('a meter’s file, and one that is none', () => {
  const file = join(folder, 'meter.csv')
  const rows = Array.from(
    { length: 96 },
    (_, k) => `2024-03-${String(1 + Math.floor(k / 24)).padStart(2, '0')} ${k % 24}:00,0.5`,
  )
  writeFileSync(file, ['Time,Usage (kWh)', ...rows].join('\n'))
  const { out } = gable(['load', file])
  expect(out).toMatchObject({ stepMinutes: 60, intervals: 96, totalKwh: 48, annualKwh: 4380, problems: [] })
  writeFileSync(file, 'Time,Usage (kWh)\n2024-03-01,12\n2024-03-02,11\n2024-03-03,13\n')
  expect(gable(['load', file]).error?.code).toBe('meter-file')
})
