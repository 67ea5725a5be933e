import { type PaperDrawing } from '@/core/drawing/paper'
import { paperPdf } from '@/core/drawing/paper-pdf'
import { winAnsi } from '@/core/drawing/helvetica'
import { ofKind, theOne, type Objects } from '@/core/kinds/documents'
import { lotSides } from '@/core/kinds/lot/sides'
import { formatLength } from '@/core/model/units'
import { handOverSet, permitSet, type Papered } from '@/core/papers/sets'
import { paperFactsOf, permitLines, type PaperFacts } from '@/core/readers/papered'
import { permitItems } from '@/core/setbacks/permit-items'
import { ownOutlines } from '@/core/site/own-outlines'
import { panelsOf } from '@/core/site/site'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { storageId } from '@/core/kinds/storage/storage'
import { freshGraph, job, madeUp, option, runOf, set, withBattery, worldOf } from '@/town/testing'
import { english } from '../english'
import { namesIn } from '../names'
import { Sayer } from '../sayer'
import { dataTables } from './data-tables'
import { handOverText } from './hand-over-text'
import { permitText, toDo } from './permit-text'

const graph = freshGraph()
const lot = madeUp['lot-1']
if (lot?.kind !== 'lot') throw new Error('a lot is made up')

const loadCentreAt = { at: [3, -3.6] as [number, number], heightM: 1.4 }
const inverterAt = { at: [7.5, -1.6] as [number, number], heightM: 1.6 }

async function factsOf(house: Objects = job.house, objects: Objects = option) {
  const world = await worldOf(house, objects)
  const facts = paperFactsOf(runOf(world, graph), world)
  const place = theOne(house, 'site', 'site')
  const sayer = new Sayer(english, place, namesIn([house, objects], world.catalogue))
  const from: Papered = {
    built: facts.built,
    volts: facts.volts,
    as: place,
    paper: 'Letter',
    around: [],
    lots: ofKind(house, 'lot').map(({ outline }) => outline),
    drawn: {
      site: facts.built.site,
      place,
      holdings: facts.built.holdings,
      nameOf: (id) => sayer.name(id),
    },
  }
  return { facts, sayer, from }
}
const textOf = (sheet: PaperDrawing | undefined) =>
  (sheet?.marks ?? []).flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
const stateOf = (facts: PaperFacts, item: string) => permitLines(facts).find((line) => line.item === item)

const { facts, sayer, from } = await factsOf()

test('the permit set: every sheet in its order, with its number, and all its text can be read from the PDF', () => {
  const sheets = permitSet(from, permitText(sayer, facts))
  expect(sheets.map(({ title }) => title)).toEqual([
    'Cover',
    'Checklist',
    'Site plan',
    'Roof plan',
    'Single-line diagram',
    'Structural summary',
    'Labels',
    'Equipment data',
  ])
  const cover = textOf(sheets[0])
  for (const said of ['14 Saltmarsh Road, Pellworth', '17 × Lumenfold 420 M, 7.14 kW', '7 ', '1 / 8'])
    expect(cover.some((text) => text.includes(said.trim()))).toBe(true)
  // What is on the sheets is in the file, letter by letter.
  const file = Array.from(paperPdf(sheets, 'Permit set'), (byte) => String.fromCharCode(byte)).join('')
  const literal = (text: string) =>
    winAnsi(text)
      .map((byte) =>
        [40, 41, 92].includes(byte)
          ? `\\${String.fromCharCode(byte)}`
          : byte > 126
            ? `\\${byte.toString(8).padStart(3, '0')}`
            : String.fromCharCode(byte),
      )
      .join('')
  for (const text of sheets.flatMap(textOf)) expect(file).toContain(`(${literal(text)}) Tj`)
  expect(file.match(/\/Type \/Page /g)).toHaveLength(8)
  expect(file.length).toBeLessThan(3_000_000)
})

test('labels carry the worst figures of the design: cold voltage of the longest string, current with its factor', () => {
  const sheets = permitSet(from, permitText(sayer, facts))
  const labels = textOf(sheets.find(({ title }) => title === 'Labels'))
  const longest = Math.max(...facts.built.strings.map(({ panelIds }) => panelIds.length))
  expect(labels).toContain(`Maximum voltage ${Math.round(longest * facts.volts.coldVocV)} V`)
  expect(labels).toContain(`Maximum circuit current ${(facts.built.module.iscA * 1.25).toFixed(1)} A`)
})

test('what is missing is told, and is no longer once it is there', async () => {
  expect(stateOf(facts, 'applicant')).toEqual({ item: 'applicant', state: 'missing', count: 1 })
  expect(stateOf(facts, 'lot-lines')).toEqual({ item: 'lot-lines', state: 'missing', count: 1 })
  expect(stateOf(facts, 'device-places')).toEqual({ item: 'device-places', state: 'missing', count: 2 })
  expect(stateOf(facts, 'licence')).toEqual({ item: 'licence', state: 'missing', count: 1 })
  expect(stateOf(facts, 'setbacks')?.state).toBe('there')
  // Its authority does not ask for photos.
  expect(stateOf(facts, 'photos')).toBeUndefined()
  const house: Objects = {
    ...set(job.house, 'site', { contactName: 'Ana Okafor', roofReserveKpa: 0.5, loadCentreAt }),
    [lot.id]: lot,
    'permit-1': {
      id: 'permit-1',
      kind: 'permit',
      name: 'Roof',
      authority: 'Pellworth Building Office',
      number: 'B-17',
      state: 'to-apply',
      appliedOn: null,
      decidedOn: null,
      validUntil: null,
      notes: '',
    },
  }
  const found = await factsOf(house, set(option, electricalId, { inverterAt }))
  const contractor = { name: 'Gull Lane Solar', licence: 'GL-7', phone: '555 0100' }
  const known = { ...found, facts: { ...found.facts, contractor } }
  expect(permitLines(known.facts).filter(({ state }) => state === 'missing')).toEqual([])
  // Disconnects have no place in the model.
  const places = stateOf(known.facts, 'device-places')
  expect(places?.state).toBe('by-hand')
  expect(places && toDo(known.sayer, places)).toBe('The site plan shows what is placed: add the disconnects.')
  const stored = await factsOf(house, set(withBattery, electricalId, { inverterAt }))
  expect(stateOf(stored.facts, 'device-places')?.count).toBe(1)
  const [cover] = permitSet(known.from, permitText(known.sayer, known.facts))
  expect(textOf(cover)).toEqual(
    expect.arrayContaining([
      ...['Ana Okafor', 'Pellworth Building Office', 'B-17'],
      ...['Gull Lane Solar, licence GL-7, 555 0100'],
    ]),
  )
})

test('every sheet of both sets bears in its title block who builds it, and nothing where nobody has said', () => {
  const contractor = { name: 'Gull Lane Solar', licence: 'GL-7', phone: '555 0100' }
  const setsOf = (about: PaperFacts) => [
    ...permitSet(from, permitText(sayer, about)),
    ...handOverSet(from, handOverText(sayer, about, [])),
  ]
  // The title block is drawn last; of the cover it is not the row of the table.
  const saidLast = (sheet: PaperDrawing) => textOf(sheet).at(-1)
  const sheets = setsOf({ ...facts, contractor })
  expect(sheets.length).toBeGreaterThan(10)
  for (const sheet of sheets) expect(saidLast(sheet)).toBe('Gull Lane Solar, licence GL-7, 555 0100')
  const bare = setsOf({ ...facts, contractor: { name: 'Gull Lane Solar', licence: '', phone: '' } })
  for (const sheet of bare) expect(saidLast(sheet)).toBe('Gull Lane Solar')
  for (const sheet of setsOf(facts)) expect(textOf(sheet).join(' ')).not.toContain('Gull Lane')
})

test('what an authority asks for in words of its own stands in the list, to be added by hand', () => {
  const rules = facts.catalogue.rules.map((set) => ({
    ...set,
    asks: ['site-plan', 'Letter of the tree warden'],
  }))
  const own = { ...facts, catalogue: { ...facts.catalogue, rules } }
  expect(permitLines(own)).toEqual([
    { item: 'site-plan', state: 'in-set', count: 0 },
    { item: 'Letter of the tree warden', state: 'by-hand', count: 0 },
  ])
  const [list] = permitText(sayer, own).checklist.tables
  expect(list?.rows[1]?.slice(1, 3)).toEqual(['Letter of the tree warden', 'Add by hand'])
})

test('rules of the job’s own are chosen rules, and ask for what is usual', async () => {
  const [first] = facts.catalogue.rules
  if (!first) throw new Error('the catalogue has rules')
  const { asks: _asks, ...written } = first
  const house = {
    ...job.house,
    'rules-1': { ...written, id: 'rules-1', kind: 'rules', name: 'Our own' } as const,
  }
  const own = await factsOf(house, set(option, 'cover', { rulesId: 'rules-1' }))
  expect(stateOf(own.facts, 'rules')?.state).toBe('there')
  expect(permitLines(own.facts).map(({ item }) => item)).toEqual([...permitItems])
  expect(textOf(permitSet(own.from, permitText(own.sayer, own.facts))[0])).toContain(
    'Our own, Pellworth Fire Marshal',
  )
})

test('modules laid too near to an edge, and none of the rules, are missing in the list', async () => {
  const near = await factsOf(job.house, set(option, 'array-south', { edgesM: { 'eave:1': 0.05 } }))
  expect(stateOf(near.facts, 'setbacks')?.state).toBe('missing')
  const none = await factsOf(job.house, set(option, 'cover', { rulesId: null }))
  expect(stateOf(none.facts, 'rules')?.state).toBe('missing')
  expect(stateOf(none.facts, 'setbacks')?.state).toBe('missing')
  // Where nobody has said what is asked for, all that is usual is.
  expect(permitLines(none.facts).length).toBeGreaterThan(permitLines(facts).length)
})

test('the hand-over: each module of the map with its string and place, the same as the strings have', () => {
  const sheets = handOverSet(from, handOverText(sayer, facts, []))
  expect(sheets.map(({ title }) => title)).toEqual([
    'Cover',
    'Site visit',
    'String map',
    'Serial numbers',
    'Roof plan',
    'Single-line diagram',
    'Parts',
    'Commissioning',
  ])
  const map = sheets.find(({ title }) => title === 'String map')
  const on = (map?.marks ?? []).flatMap((mark) =>
    mark.is === 'text' && mark.layer === 'STRINGS' ? [mark.text] : [],
  )
  const expected = panelsOf(facts.built.site).flatMap(({ id }) =>
    facts.built.strings.flatMap(({ id: string, panelIds }) =>
      panelIds.includes(id) ? [string, String(panelIds.indexOf(id) + 1)] : [],
    ),
  )
  expect(on).toEqual(expected)
  expect(on).toHaveLength(2 * 17)
  const test = textOf(sheets.find(({ title }) => title === 'Commissioning'))
  for (const { panelIds } of facts.built.strings)
    expect(test).toContain(`${Math.round(panelIds.length * facts.built.module.vocV)} V`)
})

test('the site visit begins with heights that are assumed, the costliest first', () => {
  const assumed = facts.built.site.objects.filter(({ geometry }) => geometry.presetM !== null)
  const [first, second] = [...assumed, ...facts.built.site.objects]
  if (!first || !second) throw new Error('things stand there')
  const lowest = handOverText(sayer, { ...facts, heights: [] }, []).visit.tables[0]
  expect(lowest?.rows).toHaveLength(assumed.length)
  const presets = facts.built.site.objects.slice(0, 3).map((object) => ({
    ...object,
    geometry: { ...object.geometry, presetM: 5 },
  }))
  const site = { ...facts.built.site, objects: presets }
  const heights = presets.map(({ id }, i) => ({ id, heightM: 5, kwh: [3, 30, 12][i] ?? 0 }))
  const told = handOverText(sayer, { ...facts, built: { ...facts.built, site }, heights }, []).visit.tables[0]
  expect(told?.rows.map(([name]) => name)).toEqual([1, 2, 0].map((i) => sayer.name(presets[i]?.id ?? '')))
})

test('a module that hangs on no input has a dash on the map, and no line in the commissioning', () => {
  const [first, ...others] = facts.built.strings
  if (!first) throw new Error('the job has strings')
  const built = { ...facts.built, strings: [{ ...first, input: -1 }, ...others] }
  const text = handOverText(sayer, { ...facts, built }, [])
  const [panel] = panelsOf(built.site).filter(({ id }) => first.panelIds.includes(id))
  if (!panel) throw new Error('it has modules')
  expect(text.stringMap.said(panel)).toEqual({ lines: ['–'], isDark: false })
  const strings = text.commissioning.tables.find(({ title }) => title === 'Strings')
  expect(strings?.rows.map(([id]) => id)).toEqual(others.map(({ id }) => id))
})

test('of two inverters side by side each has a box, strings say where they hang, and the plate what one gives', () => {
  const [first, ...others] = facts.built.strings
  if (!first) throw new Error('the job has strings')
  const { mppInputs } = facts.built.inverter
  const strings = [first, ...others.map((string, k) => ({ ...string, input: mppInputs + k }))]
  const built = { ...facts.built, inverters: 2, strings }
  const text = handOverText(sayer, { ...facts, built }, [])
  expect(text.serials.tables.at(-1)).toMatchObject({
    title: 'Inverter',
    rows: [
      ['1', ''],
      ['2', ''],
    ],
  })
  const commissioned = text.commissioning.tables.find(({ title }) => title === 'Strings')
  expect(commissioned?.rows.map((row) => row[1])).toEqual(['1.1.1', ...others.map((_, k) => `2.${k + 1}.1`)])
  const current = (set: ReturnType<typeof permitText>) =>
    set.plates.all.find(({ title }) => title.includes('AC'))?.lines
  expect(current(permitText(sayer, { ...facts, built }))).toEqual(current(permitText(sayer, facts)))
})

test('every module has a box for its serial number in the order of its string, and its string a line on the map', () => {
  const { strings, site } = facts.built
  const text = handOverText(sayer, facts, [])
  expect(text.serials.tables.map(({ title, rows }) => [title, rows.length])).toEqual([
    ...strings.map(({ id, panelIds }) => [id, panelIds.length]),
    ['Inverter', 1],
  ])
  expect(text.stringMap.paths.map(({ panelIds }) => panelIds)).toEqual(
    strings.map(({ panelIds }) => panelIds),
  )
  const map = handOverSet(from, text).find(({ title }) => title === 'String map')
  const lines = map?.marks.flatMap((mark) =>
    mark.layer === 'STRING-PATHS' && mark.is === 'line' ? [mark.points.length] : [],
  )
  expect(lines).toEqual(strings.map(({ panelIds }) => panelIds.length))
  const ends = map?.marks.flatMap((mark) =>
    mark.layer === 'STRING-PATHS' && mark.is === 'text' ? [mark.text] : [],
  )
  expect(ends?.sort()).toEqual(['+', '+', '−', '−'])
  expect(strings.reduce((sum, { panelIds }) => sum + panelIds.length, 0)).toBe(panelsOf(site).length)
})

test('one microinverter under two modules has its box at the first of them', async () => {
  const duo = await factsOf(job.house, set(option, 'electrical', { inverterId: 'tarnbeck-duo-800' }))
  const { tables } = handOverText(duo.sayer, duo.facts, []).serials
  const cells = tables.flatMap(({ rows }) => rows.map((row) => row[2]))
  expect(cells.filter((cell) => cell === '')).toHaveLength(duo.facts.built.devices.length)
  expect(cells.filter((cell) => cell === 'as above')).toHaveLength(17 - duo.facts.built.devices.length)
  // A row that says “as above” has no box.
  const sheets = handOverSet(duo.from, handOverText(duo.sayer, duo.facts, []))
  expect(sheets.some(({ title }) => title === 'Serial numbers')).toBe(true)
})

test('under microinverters: branches instead of strings, and no plate for a direct current that is not there', async () => {
  const small = await factsOf(job.house, set(option, 'electrical', { inverterId: 'tarnbeck-360' }))
  const permit = permitSet(small.from, permitText(small.sayer, small.facts))
  const labels = textOf(permit.find(({ title }) => title === 'Labels'))
  // 17 of 360 W at 240 V.
  expect(labels).toContain('Rated output current 25.5 A')
  expect(labels.some((text) => text.includes('DC'))).toBe(false)
  expect(textOf(permit[0])).toContain('17 × Tarnbeck 360, 360 W AC each')
  const handed = handOverSet(small.from, handOverText(small.sayer, small.facts, [])).flatMap(textOf)
  expect(handed).toContain('Branches of microinverters')
  expect(handed.some((text) => text.startsWith('Polarity of every string'))).toBe(false)
  expect(handed).toContain('Serial number of every microinverter in its box on the sheet of serial numbers')
})

test('with optimizers the plate says what they may put out, and the data sheet is there', async () => {
  const held = await factsOf(job.house, set(option, 'electrical', { optimizerId: 'thrushfield-430' }))
  const permit = permitSet(held.from, permitText(held.sayer, held.facts))
  const labels = textOf(permit.find(({ title }) => title === 'Labels'))
  // Nine of 60 V, and 15 A.
  expect(labels).toEqual(expect.arrayContaining(['Maximum voltage 540 V', 'Maximum circuit current 15.0 A']))
  const data = textOf(permit.find(({ title }) => title === 'Equipment data'))
  expect(data).toContain('Thrushfield 430')
})

test('optimizers at single modules: marked on the string map, boxes for their numbers at those alone', async () => {
  const ids = facts.built.strings.flatMap(({ panelIds }) => panelIds)
  const at = (optimizersAt: readonly string[] | null) =>
    factsOf(job.house, set(option, 'electrical', { optimizerId: 'thrushfield-one-430', optimizersAt }))
  const some = await at(ids.slice(2, 5))
  const text = handOverText(some.sayer, some.facts, [])
  const panels = some.facts.built.site.arrays.flatMap((array) => array.panels)
  const marked = panels.filter((panel) => text.stringMap.said(panel).lines.at(-1)?.endsWith('*'))
  expect(marked.map(({ id }) => id).toSorted()).toEqual(ids.slice(2, 5).toSorted())
  expect(text.stringMap.title).toBe('String map (* with an optimizer)')
  const behind = text.serials.tables.flatMap(({ rows, columns }) =>
    columns.length > 2 ? rows.map((row) => row[2]) : [],
  )
  expect(behind.filter((cell) => cell === 'none')).toHaveLength(14)
  expect(behind.filter((cell) => cell === '')).toHaveLength(3)
  // Volts and amperes on the labels are those of modules in series.
  const labels = (one: typeof some) =>
    textOf(permitSet(one.from, permitText(one.sayer, one.facts)).find(({ title }) => title === 'Labels'))
  expect(labels(some)).toEqual(labels({ facts, sayer, from }))
  // Where each module has one, nothing is to be told apart.
  const each = await at(null)
  const whole = handOverText(each.sayer, each.facts, [])
  expect(whole.stringMap.title).toBe('String map')
  expect(panels.some((panel) => whole.stringMap.said(panel).lines.at(-1)?.endsWith('*'))).toBe(false)
})

test('the site plan has the lot with the length of each side and what is clear to it, the vicinity too', async () => {
  const at = await factsOf({ ...job.house, [lot.id]: lot })
  const sheets = permitSet(at.from, permitText(at.sayer, at.facts))
  const plan = sheets.find(({ title }) => title === 'Site plan')
  const on = (layer: string) => (plan?.marks ?? []).filter((mark) => mark.layer === layer)
  const said = (layer: string) => on(layer).flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))
  // 26, 41, 26 and 40 m as this place writes them.
  const written = (m: number) => formatLength(m, at.from.as.units, at.from.as.locale)
  expect(said('LOT-LINES')).toEqual([26, 41, Math.hypot(26, 1), 40].map(written))
  const sides = lotSides(lot.outline, ownOutlines(at.from.drawn.site))
  expect(said('DIMENSIONS')).toEqual(sides.map(({ clear }) => written(clear?.distanceM ?? 0)))
  expect(textOf(plan)).toContain(
    'Lot lines from the survey, not measured for this plan; distances from edges of roofs and modules.',
  )
  for (const mark of on('LOT-LINES'))
    for (const [x, y] of mark.is === 'line' ? mark.points : []) {
      expect(x).toBeGreaterThan(10)
      expect(x).toBeLessThan(plan?.widthMm ?? 0)
      expect(y).toBeGreaterThan(10)
      expect(y).toBeLessThan(plan?.heightMm ?? 0)
    }
  const dashed = (sheet: PaperDrawing | undefined) =>
    (sheet?.marks ?? []).filter((mark) => mark.layer === 'VICINITY' && mark.is === 'line' && mark.dashed)
  const before = permitSet(from, permitText(sayer, facts))
  expect(dashed(sheets[0]).length).toBe(dashed(before[0]).length + 1)
  expect(before.flatMap(({ marks }) => marks).some(({ layer }) => layer === 'LOT-LINES')).toBe(false)
  expect(textOf(before.find(({ title }) => title === 'Site plan'))).toContain('Lot lines are not drawn.')
})

test('what has its place stands on the plans with its cables; before that there is nothing', async () => {
  const marks = (sheet: PaperDrawing | undefined, layer: string) =>
    (sheet?.marks ?? []).filter((mark) => mark.layer === layer)
  const plans = (at: Awaited<ReturnType<typeof factsOf>>) => [
    permitSet(at.from, permitText(at.sayer, at.facts)).find(({ title }) => title === 'Site plan'),
    handOverSet(at.from, handOverText(at.sayer, at.facts, [])).find(({ title }) => title === 'String map'),
  ]
  for (const sheet of plans({ facts, sayer, from }))
    expect([...marks(sheet, 'CABLES'), ...marks(sheet, 'DEVICES')]).toEqual([])
  const placed = await factsOf(
    set(job.house, 'site', { loadCentreAt }),
    set(option, electricalId, { inverterAt }),
  )
  for (const sheet of plans(placed)) {
    // Two conductors of each string, and one cable to the load centre.
    expect(marks(sheet, 'CABLES')).toHaveLength(2 * placed.facts.built.strings.length + 1)
    expect(marks(sheet, 'DEVICES').flatMap((mark) => (mark.is === 'text' ? [mark.text] : []))).toEqual([
      'Inverter',
      'Load centre',
    ])
    for (const mark of marks(sheet, 'CABLES'))
      for (const [x, y] of mark.is === 'line' ? mark.points : []) {
        expect(x).toBeGreaterThan(10)
        expect(x).toBeLessThan(sheet?.widthMm ?? 0)
        expect(y).toBeGreaterThan(10)
        expect(y).toBeLessThan(sheet?.heightMm ?? 0)
      }
  }
})

test('data sheets of a hybrid and of what hangs on it say the volts of both', async () => {
  const onPort = set(set(withBattery, electricalId, { inverterId: 'tamsin-5' }), storageId, {
    batteryId: 'kestrelite-tower-6',
  })
  const hybrid = await factsOf(job.house, onPort)
  const rows = dataTables(hybrid.sayer, hybrid.facts).flatMap(({ rows: own }) => own)
  expect(rows).toContainEqual(['Battery port', '5.0 kW, 90 V – 480 V'])
  expect(rows).toContainEqual(['DC-coupled', '140 V – 190 V'])
  const plain = dataTables(sayer, facts).flatMap(({ rows: own }) => own)
  expect(plain.flat()).not.toContain('Battery port')
})
