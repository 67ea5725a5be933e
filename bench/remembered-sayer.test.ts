import { catalogue } from '@/town/equipment'
import { job, option, set } from '@/town/testing'
import { sayerOf } from './remembered-sayer'

const station = { id: 'near', name: 'Near' }
const { house } = job

test('one speaks for the whole bench until something is called or written another way', () => {
  const first = sayerOf(catalogue, house, option, station)
  expect(sayerOf(catalogue, house, option, station)).toBe(first)
  expect(sayerOf(catalogue, { ...house }, { ...option }, { ...station })).toBe(first)
  expect(
    sayerOf(catalogue, set(house, 'tree-1', { heightM: 3 }), set(option, 'offer', { years: 20 }), station),
  ).toBe(first)

  const renamed = sayerOf(catalogue, set(house, 'tree-1', { name: 'Old oak' }), option, station)
  expect(renamed.name('tree-1')).toBe('Old oak')
  expect(renamed.name('near')).toBe('Near')
  expect(first.name('tree-1')).not.toBe('Old oak')
  expect(sayerOf(catalogue, house, option, { ...station, name: 'Far' }).name('near')).toBe('Far')
  expect(sayerOf(catalogue, house, option, undefined).name('near')).toBe('near')
})

test('figures are written as the place writes them from the moment it says so', () => {
  const first = sayerOf(catalogue, house, option, station)
  for (const [field, value] of [
    ['locale', 'es-ES'],
    ['currency', 'EUR'],
    ['units', 'imperial'],
  ] as const) {
    const moved = sayerOf(catalogue, set(house, 'site', { [field]: value }), option, station)
    expect(moved.place).toEqual({ ...first.place, [field]: value })
  }
  expect(sayerOf(catalogue, house, option, station).place).toEqual(first.place)
})
