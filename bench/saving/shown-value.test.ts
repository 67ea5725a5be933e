import { job, option } from '@/town/testing'
import { english } from '@/words/english'
import { Sayer } from '@/words/sayer'
import { type AnyObject } from '@/core/kinds/index'
import { shownValue } from './shown-value'

const sayer = new Sayer(english, { locale: 'en-US', currency: 'USD', units: 'metric' }, (id) =>
  id === 'halyard-7600' ? 'Halyard 7.6' : undefined,
)
const at = (id: string): AnyObject => {
  const object = job.house[id] ?? option[id]
  if (!object) throw new Error(`the shipped job has ${id}`)
  return object
}
const shown = (object: AnyObject, field: string, value: unknown) =>
  shownValue({ ...object, [field]: value }, field, sayer)

test('a field in conflict is shown as a person would write it', () => {
  expect(shown(at('tree-1'), 'heightM', 9)).toBe('9.00 m')
  expect(shown(at('chimney-1'), 'rotationDeg', 30)).toBe('30°')
  expect(shown(at('offer'), 'incentiveShare', 0.25)).toBe('25.0 %')
  expect(shown(at('load'), 'annualKwh', 11_400)).toBe('11,400 kWh')
  expect(shown(at('tariff-now'), 'pricePerKwh', 0.245)).toBe('0.245')
  expect(shown(at('offer'), 'years', 25)).toBe('25')
  expect(shown(at('electrical'), 'inverterId', 'halyard-7600')).toBe('Halyard 7.6')
  expect(shown(at('storage'), 'batteryId', null)).toBe('none')
  expect(shown(at('tree-1'), 'center', [1.23456, -2])).toBe('[1.235,-2]')
  expect(
    shown(
      at('volume-1'),
      'outline',
      Array.from({ length: 90 }, (_, k) => [k, k]),
    ).length,
  ).toBeLessThan(125)
})
