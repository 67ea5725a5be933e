import { summarise } from '@/core/readers/summary'
import { figured } from '@/core/kinds/beside-figures'
import { pageSections, type PageSection } from '@/core/kinds/offer/page'
import { type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { offerId, type Offer } from '@/core/kinds/offer/offer'
import { storageId } from '@/core/kinds/storage/storage'
import { alteration, freshGraph, job, madeUp, option, runOf, set, withBattery, worldOf } from '@/town/testing'
import { proposalData } from './proposal-data'
import { usualMoment } from './usual-moment'

const dataOf = async (objects = option, house: Objects = job.house) => {
  const world = await worldOf(house, objects)
  const run = runOf(world, freshGraph())
  return proposalData(job.name, world, run, summarise(run, world))
}

test('the customer is told what the figures take to be otherwise, by name; nothing where all stands as it is', async () => {
  const tree = job.house['tree-2']
  const { takenAs, standing } = await dataOf({ ...option, [alteration.id]: alteration })
  expect(takenAs).toEqual([
    { name: tree && 'name' in tree ? tree.name : '', what: 'gone', heightM: 5, years: 10 },
  ])
  // Nor is it in the picture.
  expect(standing.objects.map(({ id }) => id)).not.toContain('tree-2')
  expect((await dataOf()).takenAs).toEqual([])
})

const reading = {
  id: 'reading-1',
  kind: 'reading',
  name: 'Ridge',
  center: [0, 0],
  heightM: 0.1,
  heights: [
    [0, 1],
    [180, 1],
  ],
} as unknown as AnyObject

test('nothing leaves the server that the customer’s page does not show', async () => {
  const { standing, summary } = await dataOf(option, { ...job.house, [reading.id]: reading })
  expect(standing.objects.map(({ id }) => id)).toContain('volume-1')
  expect(standing.objects.map(({ id }) => id)).not.toContain(reading.id)
  expect(Object.keys(summary).sort()).toEqual(['cash', 'ledger', 'monthly'])
  for (const { geometry } of standing.objects) {
    expect([geometry.solids, geometry.keepOuts, geometry.faces]).toEqual([[], [], []])
    expect(geometry.field).toBeNull()
  }
})

test('what no offer is made from changes nothing on its page', async () => {
  const beside = Object.fromEntries(Object.entries(madeUp).filter(([id]) => !(id in figured(madeUp))))
  expect(new Set(Object.values(beside).map(({ kind }) => kind))).toEqual(
    new Set(['dimension', 'lot', 'underlay', 'visit', 'photo', 'permit', 'production']),
  )
  const house: Objects = { ...job.house, ...beside }
  expect(figured(house)).toEqual(job.house)
  expect(await dataOf(option, house)).toEqual(await dataOf())
})

test('how the battery ages is told as it was reckoned: as typed, or by its sheet in the first year', async () => {
  const page = { sections: ['assumptions'], texts: { letter: '', warranty: '', terms: '', next: '' } }
  const of = async (objects: Objects, fields: Partial<Offer>, house = job.house) =>
    (await dataOf(set(objects, offerId, { page, ...fields }), house)).assumptions
  const [typed, bySheet, none] = await Promise.all([
    of(withBattery, { batteryFade: 0.03 }),
    of(withBattery, {}),
    of(option, {}),
  ])
  expect(typed?.batteryFade).toBe(0.03)
  expect(bySheet?.batteryFade).toBeNull()
  // 1.1 % by the year, and 0.004 % by each of some two hundred cycles.
  const byYearAlone = 0.011
  expect(bySheet?.batteryFirstFade).toBeGreaterThan(byYearAlone + 200 * 0.00004 * 0.98)
  expect(bySheet?.batteryFirstFade).toBeLessThan(byYearAlone + 365 * 0.00004)
  // The first year is the first, however soon the battery is replaced.
  const soon = [{ name: 'Battery', what: 'battery', year: 1, cost: null }] as const
  expect((await of(withBattery, { replacements: soon }))?.batteryFirstFade).toBe(bySheet?.batteryFirstFade)
  // A sheet that says nothing is not made to say the usual.
  const silent: AnyObject = {
    ...{ id: 'own-1', kind: 'own-battery', name: 'Own 9', maker: '', price: 8000, usableKwh: 9 },
    ...{ chargeKw: 4, dischargeKw: 4, efficiency: 0.95, standbyW: 10 },
  }
  const ownOne = set(withBattery, storageId, { batteryId: silent.id })
  const usual = await of(ownOne, {}, { ...job.house, [silent.id]: silent })
  expect(usual?.batteryFade).toBe(0.02)
  for (const other of [typed, none, usual]) expect(other).not.toHaveProperty('batteryFirstFade')
})

const withSections = (...sections: PageSection[]) => {
  const texts = { letter: 'Dear you', warranty: 'Ten years', terms: 'Half now', next: 'We call' }
  const view = { eye: [20, -30, 18], target: [0, 0, 3], ...usualMoment }
  return dataOf(set(option, offerId, { page: { sections, texts, view }, alsoShown: ['loan'] }))
}

test('what a section shows leaves with that section alone', async () => {
  const all = await withSections(...pageSections)
  expect(all.page.texts.terms).toBe('Half now')
  expect(all.page.view?.eye).toEqual([20, -30, 18])
  expect(all.ways?.map(({ way }) => way)).toEqual(['cash', 'loan'])
  expect(all.summary.ledger.map(({ id }) => id)).not.toContain('npv')
  expect(Object.keys(all.summary.monthly).sort()).toEqual(
    ['billAfter', 'billBefore', 'loadKwh', 'usedKwh', 'yieldKwh'].sort(),
  )

  // Losses begin with the light and end with the yield, none of it lost twice.
  const { sunKwh = 0, steps = [], yieldKwh = 0 } = all.losses ?? {}
  expect(sunKwh - steps.reduce((sum, { kwh }) => sum + kwh, 0)).toBe(yieldKwh)
  expect(all.environment).toMatchObject({ kgPerKwh: 0.31, year: 2024 })
  expect(all.environment?.firstKwh).toBeCloseTo(yieldKwh, -0.5)
  expect((all.environment?.allKwh ?? 0) / yieldKwh).toBeGreaterThan(20)
  expect((all.environment?.allKwh ?? 0) / yieldKwh).toBeLessThan(25)
  expect(all.assumptions).toMatchObject({ years: 25, escalation: all.escalation, batteryFade: null })
  expect(all.assumptions?.replaced.map(({ name }) => name)).toEqual(['New inverter'])

  const none = await withSections()
  expect([none.losses, none.assumptions, none.environment]).toEqual([null, null, null])
  expect(none.page.texts).toEqual({ letter: '', warranty: '', terms: '', next: '' })
  expect(none.page.view).toBeNull()
  expect([none.standing.objects, none.standing.arrays, none.equipment, none.paidBack]).toEqual([
    [],
    [],
    [],
    [],
  ])
  expect(none.summary.ledger).toEqual([])
  expect(Object.values(none.summary.monthly).flat()).toEqual([])
  expect(Object.values(none.summary.cash).flat()).toEqual([])
  // What is accepted is how it is paid for.
  expect(none.ways?.map(({ way }) => way)).toEqual(['cash'])

  const letter = await withSections('letter', 'energy')
  expect(letter.page.texts).toMatchObject({ letter: 'Dear you', terms: '' })
  expect(letter.summary.monthly.billBefore).toEqual([])
  expect(letter.summary.monthly.yieldKwh).toHaveLength(12)
  expect(letter.summary.ledger.map(({ id }) => id)).toEqual(['yield', 'used', 'sold'])
}, 60_000)

test('a loss is what the ledger shows of it, and those that are one line of it add up to that', async () => {
  for (const [house, objects] of [
    [job.house, option],
    [job.house, withBattery],
    [job.house, set(option, 'losses', { lightInduced: 0.0313, nameplate: 0.0107, connections: 0.0041 })],
    [job.house, set(option, 'electrical', { inverterId: 'halyard-3800' })],
  ] as const) {
    const world = await worldOf(house, objects)
    const run = runOf(world, freshGraph())
    const { ledger, chain } = summarise(run, world)
    const { losses } = proposalData(job.name, world, run, summarise(run, world))
    const kwhOf = (name: string) => losses?.steps.find((step) => step.name === name)?.kwh ?? 0
    for (const id of [
      'reflection',
      'shade',
      'mismatch',
      'low-light',
      'heat',
      'inverter',
      'own-draw',
      'clipping',
    ])
      expect([id, kwhOf(id)]).toEqual([id, -(ledger.find((line) => line.id === id)?.shown ?? 0) || 0])
    const together = ['light-induced', 'nameplate', 'wiring', 'connections', 'other']
    expect(together.reduce((sum, name) => sum + kwhOf(name), 0)).toBe(
      -(ledger.find(({ id }) => id === 'wiring')?.shown ?? 0),
    )
    for (const { name, kwh } of losses?.steps ?? [])
      expect(Math.abs(kwh - chain.lost[name].kwh)).toBeLessThan(1.5)
    expect((losses?.sunKwh ?? 0) - (losses?.steps ?? []).reduce((sum, { kwh }) => sum + kwh, 0)).toBe(
      losses?.yieldKwh,
    )
  }
})

test('nothing is said of the air where nobody has said what the grid emits', async () => {
  for (const gridCo2 of [null, { kgPerKwh: 0, year: 2024, source: '' }])
    expect((await dataOf(set(option, offerId, { gridCo2 }))).environment).toBeNull()
}, 30_000)

test('where nothing is put up there is no way to pay for it', async () => {
  const { ways, summary } = await dataOf(
    Object.fromEntries(Object.entries(option).filter(([, { kind }]) => kind !== 'array')),
  )
  expect(ways).toEqual([])
  expect(summary.ledger.find(({ id }) => id === 'payback')?.value).toBeNull()
})
