import { catalogue } from '@/town/equipment'
import { freshGraph, job, runOf, set, withBattery, worldOf } from '@/town/testing'
import { namesIn } from '@/words/names'
import { parseObject, type Objects } from '../kinds/documents'
import { electricalId } from '../kinds/electrical/electrical'
import { jobToFile, parseJob } from '../kinds/job'
import { storageId } from '../kinds/storage/storage'
import { Fault } from '../model/fault'
import { inverterWorths } from '../readers/inverter-worth'
import { storageWorths } from '../readers/storage-worth'
import { summarise } from '../readers/summary'
import { sheetsOf } from './equipment'
import { catalogueFor, checkEquipment, inverterIn } from './world'

const patience = { atMostMs: 1000, pause: () => Promise.resolve(true) }
const sheetIn = <T extends { readonly id: string }>(list: readonly T[], id: string): T => {
  const found = list.find((sheet) => sheet.id === id)
  if (!found) throw new Error(`the catalogue has ${id}`)
  return found
}
const inverter = sheetIn(catalogue.inverters, 'halyard-7600')
const battery = sheetIn(catalogue.batteries, 'kestrelite-10')
const optimizer = sheetIn(catalogue.optimizers, 'thrushfield-one-430')
const own = (kind: string, id: string, sheet: object) =>
  parseObject({ ...sheet, id, kind, name: `Own ${id}` })
const devices: Objects = Object.fromEntries(
  [
    own('own-inverter', 'inv-1', inverter),
    own('own-battery', 'bat-1', battery),
    own('own-optimizer', 'opt-1', optimizer),
  ].map((object) => [object.id, object]),
)
const house = { ...job.house, ...devices }
const chosen = (inverterId: string, optimizerId: string, batteryId: string) =>
  set(set(withBattery, electricalId, { inverterId, optimizerId }), storageId, { batteryId, count: 1 })
const ownOption = chosen('inv-1', 'opt-1', 'bat-1')

test('own sheets that say what those of the catalogue say come to the very same figures', async () => {
  const there = await worldOf(house, chosen(inverter.id, optimizer.id, battery.id))
  const here = await worldOf(house, ownOption)
  const [one, other] = [summarise(runOf(here), here), summarise(runOf(there), there)]
  const figures = ({ ledger }: typeof one) => ledger.map(({ id, value }) => [id, value])
  expect(figures(one)).toEqual(figures(other))
  expect(one.strings).toEqual(other.strings)
  const names = namesIn([here.house, here.option], here.catalogue)
  expect(['inv-1', 'bat-1', 'opt-1'].map(names)).toEqual(['Own inv-1', 'Own bat-1', 'Own opt-1'])
})

test('another figure in an own sheet changes what follows from it, and nothing else', async () => {
  const { king: _king, ...plain } = inverter
  const small = { ...house, 'inv-1': own('own-inverter', 'inv-1', { ...plain, acPowerW: 3000 }) }
  const [before, after] = [await worldOf(house, ownOption), await worldOf(small, ownOption)]
  const [a, b] = [before, after].map((world) => summarise(runOf(world), world))
  const valueOf = (summary: typeof a, id: string) =>
    summary?.ledger.find((line) => line.id === id)?.value ?? NaN
  expect(valueOf(b, 'yield')).toBeLessThan(valueOf(a, 'yield') - 100)
  expect(valueOf(b, 'sun-on-modules')).toBe(valueOf(a, 'sun-on-modules'))
})

test('an own sheet goes before one of its id, and what nobody has is refused', async () => {
  const same = { ...job.house, [inverter.id]: own('own-inverter', inverter.id, { ...inverter, price: 7 }) }
  const names = set(withBattery, electricalId, { inverterId: inverter.id })
  expect(inverterIn(await worldOf(job.house, names)).price).toBe(inverter.price)
  expect(inverterIn(await worldOf(same, names)).price).toBe(7)
  const codeOf = (option: Objects, at: Objects) => {
    try {
      checkEquipment({ house: at, option, catalogue })
      return 'there'
    } catch (error) {
      if (error instanceof Fault) return error.code
      throw error
    }
  }
  expect(codeOf(ownOption, house)).toBe('there')
  for (const id of Object.keys(devices)) {
    const { [id]: _gone, ...rest } = house
    expect(codeOf(ownOption, rest)).toBe('unknown-equipment')
  }
  // A battery is no inverter.
  expect(codeOf(set(ownOption, electricalId, { inverterId: 'bat-1' }), house)).toBe('unknown-equipment')
})

test('they are candidates beside those of the catalogue', async () => {
  const world = await worldOf(house, set(ownOption, electricalId, { optimizerId: null }))
  const all = catalogueFor(world)
  expect(all.inverters[0]?.id).toBe('inv-1')
  const few = {
    ...world,
    catalogue: { ...world.catalogue, inverters: [inverter], batteries: [battery] },
  }
  const graph = freshGraph()
  const ranked = await inverterWorths(graph, few, patience)
  expect(ranked.map(({ id }) => id).toSorted()).toEqual([inverter.id, 'inv-1'].toSorted())
  expect(ranked[0]?.npv).toBe(ranked[1]?.npv)
  const { worths } = await storageWorths(graph, few, patience)
  expect(new Set(worths.map(({ batteryId }) => batteryId))).toEqual(new Set([null, battery.id, 'bat-1']))
}, 30_000)

test('they are in the job’s file with its house, and not a second time with its equipment', () => {
  const whole = { ...job, house, options: [{ id: 'option-a', objects: ownOption }] }
  const sheets = sheetsOf(whole, catalogue)
  expect([sheets.inverters, sheets.batteries, sheets.optimizers]).toEqual([[], [], []])
  expect(parseJob(JSON.parse(JSON.stringify(jobToFile(whole, [], sheets))))).toEqual(whole)
})
