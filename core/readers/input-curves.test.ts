import { job, option, runOf, set, worldOf } from '@/town/testing'
import { electricalId } from '../kinds/electrical/electrical'
import { siteId } from '../kinds/site/site'
import { stringYearStage } from '../stages/string-years'
import { stringsStage } from '../stages/strings'
import { sunStage } from '../stages/sun'
import { inputCurves } from './input-curves'

// Cables that are led ask for the strings' volts.
const house = set(job.house, siteId, { loadCentreAt: { at: [3, -3.6], heightM: 1.4 } })
const placed = { inverterAt: { at: [5, -3.3], heightM: 1.6 } }
const openOf = async (fields: object) => {
  const world = await worldOf(house, set(option, electricalId, { ...placed, ...fields }))
  return { world, run: runOf(world) }
}

test.each([
  ['strings by themselves', {}],
  ['two strings on an input', { drawn: 'together' }],
  ['two inverters', { inverterId: 'halyard-3800', inverterCount: 2 }],
  ['optimizers at some modules', { optimizerId: 'thrushfield-one-430', optimizersAt: ['array-south/0:0'] }],
])('each input works where the year says: %s', async (_, given) => {
  const first = await openOf({})
  const whole = first.run.value(stringsStage).strings
  const drawn =
    'drawn' in given
      ? whole
          .flatMap(({ panelIds }) => [panelIds.slice(0, 4), panelIds.slice(4)])
          .filter(({ length }) => length > 2)
          .map((panelIds) => ({ input: 0, panelIds }))
      : []
  const { world, run } = await openOf({ ...given, drawn })
  const { interval } = run.value(sunStage)
  const { strings } = run.value(stringsStage)
  const years = run.value(stringYearStage)
  let compared = 0
  for (let k = 40; k < interval.length; k += 397) {
    const curves = inputCurves(run, world, interval[k] ?? NaN)
    for (const { input, work, strings: ids } of curves) {
      const own = strings.flatMap((string, s) => (string.input === input ? [{ id: string.id, s }] : []))
      expect(ids).toEqual(own.map(({ id }) => id))
      const watts = own.reduce((sum, { s }) => sum + (years[s]?.value.powerW[k] ?? NaN), 0)
      const voltWatts = own.reduce((sum, { s }) => sum + (years[s]?.value.voltWatts[k] ?? NaN), 0)
      expect(work?.powerW ?? 0).toBeCloseTo(watts, 6)
      if (work) expect(work.voltsV).toBeCloseTo(voltWatts / watts, 6)
      compared++
    }
  }
  expect(compared).toBeGreaterThan(10)
})

test('in the dark there are none, nor where each module works by itself', async () => {
  const { world, run } = await openOf({})
  expect(inputCurves(run, world, 0)).toEqual([])
  const noon = run.value(sunStage).interval.findIndex((interval) => interval % 24 === 12 && interval > 4000)
  const interval = run.value(sunStage).interval[noon] ?? NaN
  expect(inputCurves(run, world, interval).length).toBeGreaterThan(0)
  for (const fields of [{ inverterId: 'tarnbeck-360' }, { optimizerId: 'thrushfield-430' }]) {
    const other = await openOf(fields)
    expect(inputCurves(other.run, other.world, interval)).toEqual([])
  }
})
