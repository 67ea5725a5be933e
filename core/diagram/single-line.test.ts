import { diagramWords } from '@/words/diagram-words'
import { plainEnglish } from '@/words/plain-english'
import { shippedJobs } from '@/town/shipped-job'
import { job, option, runOf, set, withBattery, worldOf } from '@/town/testing'
import { textWidth, winAnsi } from '../drawing/helvetica'
import { type Mark, type PaperDrawing } from '../drawing/paper'
import { storageId } from '../kinds/storage/storage'
import { electricalId } from '../kinds/electrical/electrical'
import { builtOf } from '../readers/built'
import { stringsStage } from '../stages/strings'
import { offerIn } from '../stages/world'
import { figuresOf } from './figures'
import { singleLine } from './single-line'

const about = { address: '14 Saltmarsh Road', units: 'metric', option: 'Roof only' } as const

async function drawn(house = job.house, objects = option) {
  const world = await worldOf(house, objects)
  const run = runOf(world)
  const built = builtOf(run, world)
  const { window } = run.value(stringsStage)
  const words = diagramWords(plainEnglish, built, { ...about, option: offerIn(world).name })
  return { built, window, drawing: singleLine(built, window, words), words }
}

interface Box {
  readonly text: string
  readonly x0: number
  readonly x1: number
  readonly y0: number
  readonly y1: number
}

function boxOf(mark: Extract<Mark, { is: 'text' }>): Box {
  const width = textWidth(winAnsi(mark.text), mark.bold ?? false) * mark.sizeMm
  const back = { start: 0, middle: width / 2, end: width }[mark.anchor]
  const [x, y] = mark.at
  return { text: mark.text, x0: x - back, x1: x - back + width, y0: y - mark.sizeMm * 0.72, y1: y }
}

/** No label lies over another, and all lie within the frame. */
function expectReadable({ marks, widthMm, heightMm }: PaperDrawing): void {
  const boxes = marks.flatMap((mark) => (mark.is === 'text' ? [boxOf(mark)] : []))
  for (const box of boxes) {
    expect(box.x0).toBeGreaterThan(10)
    expect(box.x1).toBeLessThan(widthMm - 10)
    expect(box.y1).toBeLessThan(heightMm - 10)
    expect(box.y0).toBeGreaterThan(10)
  }
  boxes.forEach((a, i) => {
    for (const b of boxes.slice(i + 1)) {
      const apart = a.x1 <= b.x0 || b.x1 <= a.x0 || a.y1 <= b.y0 || b.y1 <= a.y0
      expect({ a: a.text, b: b.text, apart }).toEqual({ a: a.text, b: b.text, apart: true })
    }
  })
}

test('it says what the model says: strings, volts, currents, breakers', async () => {
  const { built, window, drawing } = await drawn(job.house, withBattery)
  const said = drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
  const { inputs, each: inverter, battery } = figuresOf(built, window)
  expect(inputs.flatMap(({ lengths }) => lengths).reduce((sum, length) => sum + length, 0)).toBe(
    built.strings.reduce((sum, string) => sum + string.panelIds.length, 0),
  )
  for (const { lengths, coldV, currentA } of inputs) {
    expect(coldV).toBeCloseTo(Math.max(...lengths) * window.coldVocV, 9)
    expect(currentA).toBeCloseTo(built.module.iscA, 9)
    expect(said.some((text) => text.includes(`Voc ${Math.round(coldV)} V cold`))).toBe(true)
  }
  // 7.6 kW at 240 V are 31.7 A: with a quarter more the next breaker is 40 A.
  expect(inverter).toMatchObject({ breakerA: 40, conductorMm2: 10, poles: 2 })
  expect(said).toContain('40 A, 2 poles')
  expect(battery?.breakerA).toBe(30)
  expect(said).toContain('Kestrelite 10')
})

test.each([
  [1, 1],
  [3, 1],
  [6, 1],
  [8, 1],
  [4, 2],
  [6, 3],
])('batteries on a battery port hang on the inverter: %i inputs, %i inverters', async (count, inverters) => {
  const onPort = set(set(withBattery, electricalId, { inverterId: 'tamsin-10' }), storageId, {
    batteryId: 'kestrelite-tower-13',
    count: 2,
  })
  const { built, window, words } = await drawn(job.house, onPort)
  const strings = Array.from({ length: count }, (_, input) => ({
    id: `S${input + 1}`,
    input: (input % inverters) * built.inverter.mppInputs + Math.floor(input / inverters),
    panelIds: Array.from({ length: 10 }, (__, k) => `a/${input}:${k}`),
  }))
  const drawing = singleLine({ ...built, strings, inverters }, window, words)
  expectReadable(drawing)
  const { battery, dcBattery } = figuresOf({ ...built, strings, inverters }, window)
  expect(battery).toBeNull()
  // 2 x 6.4 kW, of which each port passes 10 kW; the most amperes are those at the lowest volts.
  const powerW = Math.min(12_800, 10_000 * inverters)
  expect(dcBattery).toEqual({ powerW, currentA: powerW / 280 })
  const said = drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
  expect(said).toContain('2 × Kestrelite Tower 13')
  expect(said).toContain(`up to ${(powerW / 280).toFixed(1)} A DC`)
})

test.each(['halyard-7600', 'dunmarrow-5'])(
  'a battery that the port of %s does not take is not drawn on one',
  async (inverterId) => {
    const lost = set(set(withBattery, electricalId, { inverterId }), storageId, {
      batteryId: 'kestrelite-tower-13',
    })
    const { built, window } = await drawn(job.house, lost)
    expect(figuresOf(built, window)).toMatchObject({ battery: null, dcBattery: null })
  },
)

test('unequal strings on one input: each length, the volts of the longest in the cold and of the shortest in the heat', async () => {
  const ids = (await drawn()).built.strings[0]?.panelIds ?? []
  const drawnByHand = [
    { input: 0, panelIds: ids.slice(0, 8) },
    { input: 0, panelIds: ids.slice(8) },
  ]
  const { built, window, drawing } = await drawn(job.house, set(option, electricalId, { drawn: drawnByHand }))
  expectReadable(drawing)
  const said = drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
  expect(said).toContain('Input 1: 2 strings of 8 + 5 modules')
  const [first] = figuresOf(built, window).inputs
  expect(first?.lengths).toEqual([8, 5])
  expect(first?.coldV).toBeCloseTo(8 * window.coldVocV, 9)
  expect(first?.hotV).toBeCloseTo(5 * window.hotVmpV, 9)
  expect(first?.currentA).toBeCloseTo(2 * built.module.iscA, 9)
})

test('readable for every shipped job', async () => {
  for (const make of Object.values(shippedJobs)) {
    const { house, options } = make()
    for (const { objects } of options) expectReadable((await drawn(house, objects)).drawing)
  }
})

test.each([1, 2, 3, 5, 8, 12])('readable with %i inputs', async (count) => {
  const { built, window, words } = await drawn(job.house, withBattery)
  const strings = Array.from({ length: count }, (_, input) => ({
    id: `S${input + 1}`,
    input,
    panelIds: Array.from({ length: 12 }, (__, k) => `a/${input}:${k}`),
  }))
  expectReadable(singleLine({ ...built, strings }, window, words))
})

test('modules without an input are named, and nothing is drawn for them', async () => {
  const { built, window } = await drawn()
  const strings = built.strings.map((string, k) => (k === 0 ? { ...string, input: -1 } : string))
  const left = { ...built, strings }
  const drawing = singleLine(left, window, diagramWords(plainEnglish, left, about))
  const said = drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
  expect(
    said.some((text) => text.startsWith(`${built.strings[0]?.panelIds.length} modules hang on no input`)),
  ).toBe(true)
  expect(figuresOf(left, window).inputs).toHaveLength(built.strings.length - 1)
  expectReadable(drawing)
})

test('in feet and inches conductors are gauges that the currents allow', async () => {
  const { built, window } = await drawn()
  const words = diagramWords(plainEnglish, built, { ...about, units: 'imperial' })
  const said = singleLine(built, window, words).marks.flatMap((mark) =>
    mark.is === 'text' ? [mark.text] : [],
  )
  // 1.56 of 13.85 A need a 10 gauge; a breaker of 40 A an 8 gauge.
  expect(said).toContain('2 × 10 AWG copper, and protective earth')
  expect(said).toContain('3 × 8 AWG + PE')
})

test.each([1, 2, 3, 5, 8, 12])('readable with %i branches of microinverters', async (count) => {
  const { built, window, words } = await drawn(
    job.house,
    set(withBattery, electricalId, { inverterId: 'tarnbeck-360' }),
  )
  const strings = Array.from({ length: count }, (_, input) => ({
    id: `B${input + 1}`,
    input,
    panelIds: Array.from({ length: 10 }, (__, k) => `a/${input}:${k}`),
  }))
  const devices = strings.flatMap(({ panelIds }) => panelIds.map((id) => [id]))
  expectReadable(singleLine({ ...built, strings, devices }, window, words))
})

test.each([1, 2, 3, 5, 8, 12])('readable with %i inputs of optimizers', async (count) => {
  const { built, window, words } = await drawn(
    job.house,
    set(withBattery, electricalId, { optimizerId: 'thrushfield-600-t' }),
  )
  const strings = Array.from({ length: count }, (_, input) => ({
    id: `S${input + 1}`,
    input,
    panelIds: Array.from({ length: 12 }, (__, k) => `a/${input}:${k}`),
  }))
  expectReadable(singleLine({ ...built, strings }, window, words))
})

test('microinverters: a row for each branch, its breaker, and where they come together', async () => {
  const { built, window, drawing } = await drawn(
    job.house,
    set(option, electricalId, { inverterId: 'tarnbeck-360' }),
  )
  expectReadable(drawing)
  const said = drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
  const { inputs, branches, each: inverter } = figuresOf(built, window)
  expect(inputs).toEqual([])
  expect(branches.map(({ modules }) => modules)).toEqual([9, 8])
  // 9 of 360 W at 240 V are 13.5 A, with a quarter more 16.9 A: 20 A. All are 25.5 A, 31.9 A: 32 A.
  expect(branches[0]?.circuit).toMatchObject({ currentA: 13.5, breakerA: 20, poles: 2 })
  expect(inverter).toMatchObject({ powerW: 17 * 360, breakerA: 32 })
  expect(said).toEqual(expect.arrayContaining(['AC combiner', 'Branch 2: 8 microinverters, 8 modules']))
  expect(said).not.toContain('DC disconnect')
})

test('optimizers: what they may put out, not what modules in series would', async () => {
  const { built, window, drawing } = await drawn(
    job.house,
    set(option, electricalId, { optimizerId: 'thrushfield-430' }),
  )
  expectReadable(drawing)
  // Nine of 60 V and 15 A.
  expect(figuresOf(built, window).inputs[0]).toMatchObject({ lengths: [9], coldV: 540, currentA: 15 })
  const said = drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
  expect(said).toContain('An optimizer at each module: Thrushfield 430')
})

test('cables that are led say how long they are: of an input, of the inverter, of each branch, of the battery', async () => {
  const [east, south] = [
    { at: [5, -3.3], heightM: 1.6 },
    { at: [3, -3.6], heightM: 1.4 },
  ] as const
  const placed = { inverterAt: east, batteryAt: { at: [4, -3.5], heightM: 1 } }
  const house = set(job.house, 'site', { loadCentreAt: south })
  for (const fields of [placed, { ...placed, inverterId: 'tarnbeck-360' }]) {
    const { built, window, drawing } = await drawn(house, set(withBattery, electricalId, fields))
    expectReadable(drawing)
    const said = drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
    const { inputs, branches, each: inverter, battery } = figuresOf(built, window)
    const { dc, ac, battery: toBattery } = built.cables
    const sum = (runs: typeof dc) => runs.reduce((metres, { cableM }) => metres + cableM, 0)
    expect(inputs.reduce((metres, { cableM = NaN }) => metres + cableM, 0)).toBeCloseTo(sum(dc), 9)
    if (branches.length > 0) {
      expect(branches.map(({ circuit }) => circuit.cableM)).toEqual(ac.map(({ cableM }) => cableM))
      expect(inverter.cableM).toBeUndefined()
    } else expect(inverter.cableM).toBe(sum(ac))
    expect(battery?.cableM).toBe(toBattery?.cableM)
    for (const cableM of [...branches.map(({ circuit }) => circuit.cableM), inverter.cableM, battery?.cableM])
      if (cableM !== undefined) expect(said).toContain(`${cableM.toFixed(1)} m of cable`)
  }
  // Nothing is said of what is not led.
  const bare = await drawn(house, option)
  const said = bare.drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
  expect(said.filter((text) => text.endsWith('of cable'))).toEqual([])
})

test.each([1, 2, 3, 4, 5, 8])('readable with %i inputs whose cables are led', async (count) => {
  const { built, window, words } = await drawn(job.house, withBattery)
  const strings = Array.from({ length: count }, (_, input) => ({
    id: `S${input + 1}`,
    input,
    panelIds: Array.from({ length: 12 }, (__, k) => `a/${input}:${k}`),
  }))
  const way = { points: [], lengthM: 30 }
  const led = (id: string) =>
    ({ id, ways: [way], cableM: 123.4, mm2: 6, ohm: 0.1, fullA: 10, dropShare: 0.01 }) as const
  const cables = {
    devices: [],
    dc: strings.map(({ id }) => led(id)),
    ac: [led('ac')],
    battery: led('battery'),
  }
  expectReadable(singleLine({ ...built, strings, cables }, window, words))
})

test.each([2, 3, 6])(
  '%i inverters side by side: each with its inputs, disconnects, breaker and number',
  async (count) => {
    const fields = { inverterId: 'halyard-3800', inverterCount: count }
    const house = set(job.house, 'site', { loadCentreAt: { at: [3, -3.6], heightM: 1.4 } })
    for (const objects of [option, withBattery]) {
      const placed = { ...fields, inverterAt: { at: [5, -3.3], heightM: 1.6 } }
      const { built, window, drawing } = await drawn(house, set(objects, electricalId, placed))
      if (count < 6) expectReadable(drawing)
      const said = drawing.marks.flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
      for (let at = 1; at <= count; at++) expect(said).toContain(`${at}: Halyard 3.8`)
      const { inputs, each, inverters } = figuresOf(built, window)
      expect(inverters).toBe(count)
      // 3.8 kW at 240 V are 15.8 A, with a quarter more 19.8 A: each has a breaker of 20 A.
      expect(each).toMatchObject({ powerW: 3800, breakerA: 20 })
      expect(said.filter((text) => text.includes('20 A'))).toHaveLength(count)
      expect(inputs.map(({ name }) => name.split('.').length)).toEqual(inputs.map(() => 2))
      expect(said.filter((text) => text.startsWith('Input '))).toHaveLength(inputs.length)
    }
  },
)
