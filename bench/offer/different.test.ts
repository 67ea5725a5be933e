import { alteration, option, set, withBattery } from '@/town/testing'
import { differences } from './different'

const fieldsOf = (found: ReturnType<typeof differences>) =>
  found.map((one) => (one.what === 'field' ? `${one.ours.kind}.${one.field}` : `${one.of} ${one.ours}`))

test('options that are alike have no differences, whatever they are called', () => {
  expect(differences(option, set(option, 'offer', { name: 'Another' }))).toEqual([])
})

test('fields chapter by chapter; of a battery that is not there only that it is not', () => {
  const other = set(set(withBattery, 'cover', { moduleId: 'x' }), 'offer', { pricePerWatt: 9 })
  expect(fieldsOf(differences(other, set(option, 'storage', { count: 7, reserve: 0.4 })))).toEqual([
    'cover.moduleId',
    'storage.batteryId',
    'offer.pricePerWatt',
  ])
})

test('what only one of them assumes, whoever it is', () => {
  const grown = { ...option, [alteration.id]: alteration }
  expect(fieldsOf(differences(grown, option))).toEqual([`${alteration.of} true`])
  expect(fieldsOf(differences(option, grown))).toEqual([`${alteration.of} false`])
  expect(differences(grown, { ...option, other: { ...alteration, id: 'other' } })).toEqual([])
})
