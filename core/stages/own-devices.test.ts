import { catalogue } from '@/town/equipment'
import { freshGraph, job, runOf, set, withBattery, worldOf } from '@/town/testing'
import { namesIn } from '@/words/names'
import { parseObject, type Objects } from '../kinds/documents'
import { electricalId } from '../kinds/electrical/electrical'
import { jobToFile, parseJob } from '../kinds/job'
import { storageId } from '../kinds/storage/storage'
import { Fault } from '../model/fault'
import { seededRandom } from '../model/random'
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

test('whatever a sheet may say, every figure is one and the books balance', async () => {
  const random = seededRandom(1453)
  const from = (low: number, high: number) => low * (high / low) ** random()
  const whole = (low: number, high: number) => low + Math.floor(random() * (high - low + 1))
  const some = <T extends object>(share: number, fields: () => T) => (random() < share ? fields() : {})
  const window = () => {
    const highestV = from(1, 2000)
    const mppHighV = Math.max(1, highestV * random())
    return { highestV, mppHighV, mppLowV: mppHighV * random() }
  }
  const graph = freshGraph()
  for (let round = 0; round < 40; round++) {
    const acPowerW = from(10, 1e6)
    const volts = window()
    const most = whole(1, 200)
    const made = [
      own('own-inverter', 'inv-1', {
        maker: '',
        price: from(1, 1e6),
        ...volts,
        acPowerW,
        startV: random() * volts.highestV,
        mppInputs: whole(1, 24),
        stringsPerInput: whole(1, 24),
        inputCurrentA: from(0.1, 1000),
        efficiency: 0.5 + random() / 2,
        nightW: 1000 * random(),
        highestDcAc: from(0.5, 5),
        ...some(0.3, () => ({ phases: 3 })),
        ...some(0.3, () => ({ micro: { branchBreakerA: from(1, 200) } })),
        ...some(0.3, () => ({
          king: {
            acPowerW,
            dcPowerW: Math.min(1e6, acPowerW * (1 + random())),
            dcVoltsV: from(1, 2000),
            startW: from(1, 1e5),
            c0PerW: (random() - 0.5) / 50,
            c1PerV: (random() - 0.5) / 5,
            c2PerV: (random() - 0.5) / 5,
            c3PerV: (random() - 0.5) / 5,
          },
        })),
      }),
      own('own-optimizer', 'opt-1', {
        maker: '',
        price: 1,
        ...window(),
        powerW: from(10, 5000),
        inputShortCurrentA: from(0.1, 1000),
        outputV: from(1, 2000),
        outputCurrentA: from(0.1, 1000),
        efficiency: 0.5 + random() / 2,
        fewestPerString: whole(1, most),
        mostPerString: most,
        stringPowerW: from(10, 1e6),
        ...some(0.4, () => ({ stepDown: true })),
      }),
      own('own-battery', 'bat-1', {
        maker: '',
        price: 1,
        usableKwh: from(0.1, 1000),
        chargeKw: from(0.01, 1000),
        dischargeKw: from(0.01, 1000),
        efficiency: 0.5 + random() / 2,
        standbyW: random() * 1000,
      }),
    ]
    const optimizerId = random() < 0.5 ? 'opt-1' : null
    const world = await worldOf(
      { ...job.house, ...Object.fromEntries(made.map((object) => [object.id, object])) },
      set(ownOption, electricalId, { optimizerId }),
    )
    const { ledger } = summarise(runOf(world, graph), world)
    expect(ledger.filter(({ value }) => value !== null && !Number.isFinite(value))).toEqual([])
    const sun = ledger.filter(({ group }) => group === 'sun')
    const sum = sun.reduce((all, { id, value }) => all + (id === 'yield' ? 0 : (value ?? NaN)), 0)
    expect(sum).toBeCloseTo(sun.find(({ id }) => id === 'yield')?.value ?? NaN, 6)
  }
}, 120_000)
