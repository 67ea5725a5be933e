import { ofNoHouse } from './electrical/electrical'
import { job } from '@/town/testing'
import { defaultCover } from './cover/cover'
import { ofKind, theOne, type Objects } from './documents'
import { type AnyObject } from './index'
import { checkJob, type Job } from './job'
import { type Usual } from './new-job'
import { defaultOffer } from './offer/offer'
import { startedFrom } from './started-from'

const site = theOne(job.house, 'site', 'site')
const usual: Usual = {
  site: { ...site, address: '9 Elsewhere', latitudeDeg: site.latitudeDeg + 0.01, notes: '' },
  tariffs: {
    now: { ...theOne(job.house, 'tariff', 'tariff-now'), name: 'Now here' },
    then: { ...theOne(job.house, 'tariff', 'tariff-then'), name: 'Then here' },
  },
  prices: {
    pricePerWatt: 1.11,
    listShare: 0.77,
    incentives: [{ name: 'Of the town', kind: 'share', share: 0.1, of: 'all', cap: null, taxed: false }],
    gridCo2: { kgPerKwh: 0.2, year: 2024, source: 'Here' },
  },
  cover: { rulesId: null, setbacksM: { ...defaultCover.setbacksM, eave: 0.9 } },
}
const edited = (change: (object: AnyObject) => AnyObject): Job => ({
  ...job,
  options: job.options.map(({ id, objects }) => ({
    id,
    objects: Object.fromEntries(Object.entries(objects).map(([key, o]) => [key, change(o)])),
  })),
})
const template = edited((object) => {
  if (object.kind === 'offer')
    return {
      ...object,
      pricePerWatt: 2.71,
      discountRate: 0.061,
      adders: [{ name: 'Scaffold', amount: 900 }],
      incentives: [],
      page: {
        ...object.page,
        texts: { ...object.page.texts, terms: 'Ours' },
        view: { eye: [20, -30, 18], target: [0, 0, 3], day: 10, hour: 12 },
      },
    }
  if (object.kind === 'cover')
    return { ...object, setbacksM: { ...object.setbacksM, eave: 0.6 }, footEvery: 2 }
  return object
})
const first = <T>(list: readonly T[]): T => {
  const [one] = list
  if (one === undefined) throw new Error('empty')
  return one
}
const offersOf = (made: Job) => made.options.map(({ objects }) => first(ofKind(objects, 'offer')))
const elsewhere: Usual = { ...usual, site: { ...usual.site, town: 'Otherton' } }
const kindsOf = (objects: Objects) => [...new Set(Object.values(objects).map(({ kind }) => kind))].sort()

test('a job started from another has its equipment, prices and texts, and nothing of its house or its people', () => {
  const made = startedFrom('New', usual, template)
  expect(() => checkJob(made)).not.toThrow()
  expect(made.name).toBe('New')
  expect(kindsOf(made.house)).toEqual(['load', 'site', 'tariff'])
  expect(theOne(made.house, 'site', 'site')).toEqual(usual.site)
  expect(theOne(made.house, 'tariff', 'tariff-now').name).toBe('Now here')
  expect(made.options.map(({ id }) => id)).toEqual(template.options.map(({ id }) => id))
  for (const [k, { objects }] of made.options.entries()) {
    expect(kindsOf(objects)).toEqual(['cover', 'electrical', 'losses', 'offer', 'storage'])
    const from = template.options[k]?.objects ?? {}
    for (const id of ['electrical', 'losses', 'storage', 'cover']) expect(objects[id]).toEqual(from[id])
  }
  // What is drawn over modules of one roof, or hangs on its walls, means nothing on another.
  const ofOneHouse = {
    drawn: [{ input: 0, panelIds: ['array-1/0:0'] }],
    inverterAt: { at: [3, 4], heightM: 1.5 },
    cablesDownAt: { at: [3, 4], heightM: 1.5 },
    dcMm2: 6,
    partChanges: [{ part: 'meter', onSite: true, count: null, price: null }],
    ownParts: [{ name: 'Boards', count: 2, unit: 'piece', price: null }],
  } as const
  const options = template.options.map((one) => ({
    ...one,
    objects: {
      ...one.objects,
      electrical: { ...theOne(one.objects, 'electrical', 'electrical'), ...ofOneHouse },
    },
  }))
  for (const { objects } of startedFrom('New', usual, { ...template, options }).options)
    expect(theOne(objects, 'electrical', 'electrical')).toMatchObject(ofNoHouse)
  // The same town: what its designer found of its programmes and distances stays; the view is of another house.
  expect(offersOf(made)).toEqual(
    offersOf(template).map((offer) => ({ ...offer, page: { ...offer.page, view: null } })),
  )
})

test('in another town its authority and its programmes hold; prices stay in the same money', () => {
  const made = startedFrom('New', elsewhere, template)
  for (const { objects } of made.options)
    expect(theOne(objects, 'cover', 'cover')).toMatchObject({ ...usual.cover, footEvery: 2 })
  for (const offer of offersOf(made))
    expect(offer).toMatchObject({
      incentives: usual.prices.incentives,
      gridCo2: usual.prices.gridCo2,
      pricePerWatt: 2.71,
      adders: [{ name: 'Scaffold', amount: 900 }],
    })
})

test('amounts of money are those of the address where the currency is another; shares and texts stay', () => {
  const made = startedFrom('New', { ...elsewhere, site: { ...elsewhere.site, currency: 'JPY' } }, template)
  for (const offer of offersOf(made))
    expect(offer).toMatchObject({
      pricePerWatt: 1.11,
      listShare: 0.77,
      adders: [],
      replacements: defaultOffer.replacements,
      discountRate: 0.061,
      page: { texts: { terms: 'Ours' } },
    })
  expect(offersOf(made).map(({ name }) => name)).toEqual(offersOf(template).map(({ name }) => name))
})

test('own modules and devices come along everywhere, own rules within the town they were written for', () => {
  const rules: AnyObject = {
    id: 'rules-1',
    kind: 'rules',
    name: 'Ours',
    town: 'Pellworth',
    items: [],
  } as unknown as AnyObject
  const own: AnyObject = {
    id: 'own-1',
    kind: 'own-module',
    name: 'Own 400',
    maker: '',
    price: 100,
    powerW: 400,
    widthM: 1,
    lengthM: 1.7,
    vocV: 40,
    vmpV: 34,
    iscA: 12,
    impA: 11,
    powerPerK: -0.003,
    vocPerK: -0.003,
    iscPerK: 0.0005,
    strips: 3,
    halves: 2,
    cell: 'n-type',
    sortedUp: false,
    degradation: 0.004,
  }
  const battery: AnyObject = {
    id: 'own-2',
    kind: 'own-battery',
    name: 'Own 9',
    maker: '',
    price: 8000,
    usableKwh: 9,
    chargeKw: 4,
    dischargeKw: 4,
    efficiency: 0.95,
    standbyW: 10,
  }
  const house = { ...template.house, [rules.id]: rules, [own.id]: own, [battery.id]: battery }
  const idsOf = (at: Usual) => Object.keys(startedFrom('New', at, { ...template, house }).house)
  expect(idsOf(usual)).toEqual(expect.arrayContaining([rules.id, own.id, battery.id]))
  expect(idsOf(elsewhere)).toContain(own.id)
  expect(idsOf(elsewhere)).not.toContain(rules.id)
})
