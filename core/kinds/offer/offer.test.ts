import { parseObject } from '../documents'
import { defaultOffer, offerVersion } from './offer'

/** As the first builds wrote it. */
const first = {
  id: 'offer',
  kind: 'offer',
  name: 'Roof only',
  pricePerWatt: 2.4,
  pricePerBattery: null,
  incentiveShare: 0.3,
  years: 25,
  discountRate: 0.05,
  escalation: 0.02,
  upkeepPerYear: 90,
}

test('an offer from before ways to pay is paid in cash, with nothing replaced and all growing as energy does', () => {
  const second = { ...first, equipment: 'listed', listShare: 0.9 }
  expect(parseObject(second, 'offer', { offer: 2 })).toMatchObject({
    incentives: [{ kind: 'share', share: 0.3, of: 'all', cap: null, taxed: false }],
    upkeepPerYear: 90,
    upkeepGrowth: 0.02,
    exportGrowth: 0.02,
    batteryFade: 0,
    replacements: [],
    adders: [],
    costs: [],
    markup: 0,
    salesTax: 0,
    pay: 'cash',
  })
  expect(parseObject({ ...second, incentiveShare: 0 }, 'offer', { offer: 2 })).toMatchObject({
    incentives: [],
  })
})

test('an offer from before equipment had prices keeps its price: all of it is in the price per watt', () => {
  expect(parseObject({ ...first, pricePerBattery: 9000 }, 'offer', { offer: 1 })).toMatchObject({
    pricePerBattery: 9000,
    equipment: 'in-price',
    listShare: 1,
  })
})

test('an offer from before pictures were kept begins with the usual one, its sections as they were', () => {
  const { language, view, ...page } = defaultOffer.page
  expect([language, view]).toEqual([null, null])
  const old = { ...defaultOffer, page: { ...page, sections: ['roof'], language: 'es' } }
  expect(parseObject(old, 'offer', { offer: offerVersion - 1 })).toMatchObject({
    page: { sections: ['roof'], language: 'es', view: null },
  })
  const kept = (over: object) => ({
    ...defaultOffer,
    page: { ...defaultOffer.page, view: { eye: [1, 2, 3], target: [0, 0, 0], day: 3, hour: 9.5, ...over } },
  })
  expect(parseObject(kept({}), 'offer', { offer: offerVersion })).toEqual(kept({}))
  for (const [over, path] of [
    [{ day: 365 }, 'day'],
    [{ hour: -1 }, 'hour'],
    [{ eye: [1, 2] }, 'eye'],
    [{ target: [1, 2, Infinity] }, 'target.2'],
  ] as const)
    expect(() => parseObject(kept(over), 'offer', { offer: offerVersion })).toThrow(
      expect.objectContaining({
        code: 'bad-object',
        path: expect.stringContaining(`view.${path}`) as string,
      }) as Error,
    )
})

test('something else that is replaced says what it costs', () => {
  const with_ = (cost: number | null) => ({
    ...defaultOffer,
    replacements: [{ name: 'Roof', what: 'other', year: 20, cost }],
  })
  expect(parseObject(with_(900), 'offer', { offer: offerVersion })).toEqual(with_(900))
  expect(() => parseObject(with_(null), 'offer', { offer: offerVersion })).toThrow(
    expect.objectContaining({ code: 'bad-object', path: 'offer.replacements.0.cost' }) as Error,
  )
})

test('a present offer is read as it is, and one from the future is refused with what is known', () => {
  expect(parseObject(defaultOffer, 'offer', { offer: offerVersion })).toEqual(defaultOffer)
  expect(() => parseObject(defaultOffer, 'offer', { offer: offerVersion + 1 })).toThrow(
    expect.objectContaining({ code: 'newer-version' }) as Error,
  )
})
