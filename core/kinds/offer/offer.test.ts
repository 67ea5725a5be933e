import { parseObject } from '../documents'
import { defaultOffer, offerVersion } from './offer'

test('an offer from before equipment had prices keeps its price: all of it is in the price per watt', () => {
  const { equipment: _equipment, listShare: _share, pricePerBattery: _battery, ...before } = defaultOffer
  const old = { ...before, pricePerBattery: 9000 }
  expect(parseObject(old, 'offer', { offer: 1 })).toEqual({
    ...before,
    pricePerBattery: 9000,
    equipment: 'in-price',
    listShare: 1,
  })
})

test('a present offer is read as it is, and one from the future is refused with what is known', () => {
  expect(parseObject(defaultOffer, 'offer', { offer: offerVersion })).toEqual(defaultOffer)
  expect(() => parseObject(defaultOffer, 'offer', { offer: offerVersion + 1 })).toThrow(
    expect.objectContaining({ code: 'newer-version' }) as Error,
  )
})
