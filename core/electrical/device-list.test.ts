import { catalogue } from '@/town/equipment'
import {
  batteryFigures,
  findInverters,
  inverterFigures,
  optimizerFigures,
  phasesOf,
  type InverterFilter,
} from './device-list'
import { saysAll, sortedSheets } from './sheet-list'

const { inverters, optimizers, batteries } = catalogue
const everything: InverterFilter = { text: '', phases: 'any', place: 'any', leastW: 0, mostW: Infinity }
const ids = (wanted: Partial<InverterFilter>) =>
  findInverters(inverters, { ...everything, ...wanted }).map(({ id }) => id)

test('what is looked for is held by maker and name, in any order and case', () => {
  const sheet = { maker: 'Halyard', name: 'Halyard 7.6' }
  for (const text of ['', 'halyard', '7.6 HALY', '  7.6  ']) expect(saysAll(sheet, text)).toBe(true)
  for (const text of ['orrin', 'halyard 5']) expect(saysAll(sheet, text)).toBe(false)
})

test('inverters are narrowed by each thing alone and by all together, in the order of the catalogue', () => {
  expect(ids({})).toEqual(inverters.map(({ id }) => id))
  const micro = inverters.filter((sheet) => sheet.micro).map(({ id }) => id)
  expect(ids({ place: 'modules' })).toEqual(micro)
  expect(ids({ place: 'strings' })).toEqual(inverters.map(({ id }) => id).filter((id) => !micro.includes(id)))
  expect(ids({ phases: 3 })).toEqual(inverters.filter(({ phases }) => phases === 3).map(({ id }) => id))
  // Where a sheet says nothing of phases it feeds one.
  expect(ids({ phases: 1 })).toHaveLength(inverters.length - ids({ phases: 3 }).length)
  expect(ids({ leastW: 7600, mostW: 8200 })).toEqual(
    inverters.filter(({ acPowerW }) => acPowerW >= 7600 && acPowerW <= 8200).map(({ id }) => id),
  )
  expect(ids({ leastW: 7600, mostW: 7600, text: 'halyard', phases: 1, place: 'strings' })).toEqual([
    'halyard-7600',
  ])
  expect(ids({ phases: 3, place: 'modules' })).toEqual([])
})

test('every column sorts both ways, names by their numbers, and loses nobody', () => {
  const sorts = <T extends { readonly maker: string; readonly name: string }>(
    sheets: readonly T[],
    figures: Readonly<Record<string, ((sheet: T) => number | undefined) | null>>,
  ) => {
    for (const of of Object.values(figures)) {
      const [up, down] = [sortedSheets(sheets, of, false), sortedSheets(sheets, of, true)]
      expect(new Set(up)).toEqual(new Set(sheets))
      expect(down).toHaveLength(sheets.length)
      if (!of) continue
      const told = sheets.map(of).filter((figure) => figure !== undefined)
      const shown = (list: readonly T[]) => list.map(of).slice(0, told.length)
      expect(shown(up)).toEqual(told.toSorted((a, b) => a - b))
      expect(shown(down)).toEqual(told.toSorted((a, b) => b - a))
    }
  }
  sorts(inverters, inverterFigures)
  sorts(optimizers, optimizerFigures)
  sorts(batteries, batteryFigures)
  const named = ['Brannock 10', 'Brannock 3', 'Brannock 2.5'].map((name) => ({ maker: '', name }))
  expect(sortedSheets(named, null, false).map(({ name }) => name)).toEqual([
    'Brannock 2.5',
    'Brannock 3',
    'Brannock 10',
  ])
})

test('a battery’s efficiency is told there and back, prices by what they buy', () => {
  const [battery] = batteries
  const [inverter] = inverters
  if (!battery || !inverter) throw new Error('the catalogue has both')
  expect(batteryFigures.efficiency(battery)).toBeCloseTo(battery.efficiency * battery.efficiency, 12)
  expect(batteryFigures.pricePerKwh(battery)).toBeCloseTo(battery.price / battery.usableKwh, 12)
  expect(inverterFigures.pricePerW(inverter)).toBeCloseTo(inverter.price / inverter.acPowerW, 12)
  expect(phasesOf(inverter)).toBe(inverter.phases ?? 1)
})
