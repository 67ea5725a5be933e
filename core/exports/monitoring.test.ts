import { paperFactsOf } from '../readers/papered'
import { freshGraph, runOf, withBattery, worldOf, job } from '@/town/testing'
import { monitoredOf, monitoredSchema } from './monitoring'

const world = await worldOf(job.house, withBattery)
const facts = paperFactsOf(runOf(world, freshGraph()), world)
const months = Array.from({ length: 12 }, (_, k) => 100 + k)

test('a system as the service takes it: every module in an array and on a string, and nothing of the customer', () => {
  const system = monitoredOf(facts, [-1, ...months.slice(1)], (id) => `Array ${id}`)
  expect(monitoredSchema.parse(JSON.parse(JSON.stringify(system)))).toEqual(system)
  const modules = system.arrays.reduce((sum, array) => sum + array.modules, 0)
  expect(modules * system.module.powerW).toBe(system.powerW)
  expect(system.strings.reduce((sum, string) => sum + string.modules, 0)).toBe(modules)
  expect(Math.min(...system.strings.map(({ input }) => input))).toBe(1)
  expect(system.battery).toMatchObject({ count: 1, usableKwh: 10 })
  // A month that draws more than it makes is none of less than nothing.
  expect(system.expectedKwh[0]).toBe(0)
  expect(JSON.stringify(system)).not.toContain(job.name)
})

test('strings without an input report nothing', () => {
  const strings = facts.built.strings.map((string, i) => (i === 0 ? { ...string, input: -1 } : string))
  const { strings: told } = monitoredOf({ ...facts, built: { ...facts.built, strings } }, months, (id) => id)
  expect(told).toHaveLength(strings.length - 1)
})
