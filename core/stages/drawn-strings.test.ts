import { job, option, runOf, set, worldOf } from '@/town/testing'
import { electricalId, type DrawnString } from '../kinds/electrical/electrical'
import { checksOf } from '../readers/ledger'
import { moduleShareStage, stringSumStage } from './dc'
import { lossChainStage } from './loss-chain'
import { stringsStage } from './strings'
import { stringYearStage } from './string-years'

const strung = async (fields: object) => {
  const world = await worldOf(job.house, set(option, electricalId, fields))
  const run = runOf(world)
  return {
    ...run.value(stringsStage),
    checks: checksOf(run).filter(({ code }) => code.startsWith('string')),
    chain: run.value(lossChainStage),
    shares: run.value(moduleShareStage),
    kwh: run
      .value(stringYearStage)
      .map(({ value }) => value.powerW.reduce((sum, watts) => sum + watts, 0) / 1000),
  }
}
const automatic = await strung({})
const [first, second] = automatic.strings
if (!first || !second) throw new Error('the shipped job has two strings')
const south = first.panelIds
const east = second.panelIds
const hand = (panelIds: readonly string[], input: number | null = null): DrawnString => ({ input, panelIds })

test('drawn as they are strung automatically, nothing changes', async () => {
  const same = await strung({ drawn: [hand(south, 0), hand(east, 1)] })
  expect(same.strings.map(({ drawn: _, ...string }) => string)).toEqual(automatic.strings)
  expect(same.strings.map(({ drawn }) => drawn)).toEqual([0, 1])
  expect(same.kwh).toEqual(automatic.kwh)
  expect(same.checks).toEqual([])
})

test('each string says what it gives and what mismatch takes; together that is the chain’s', async () => {
  const run = runOf(await worldOf(job.house, option))
  const sums = run.value(stringSumStage)
  const { lost } = run.value(lossChainStage)
  expect(sums.map(({ kwh }) => kwh)).toEqual(automatic.kwh.map((kwh) => expect.closeTo(kwh, 6) as number))
  expect(sums.reduce((sum, { mismatchKwh }) => sum + mismatchKwh, 0)).toBeCloseTo(lost.mismatch.kwh, 6)
})

test('the order in a string is its path, not its energy', async () => {
  const turned = await strung({ drawn: [hand(south.toReversed(), 0)] })
  expect(turned.strings[0]?.panelIds).toEqual(south.toReversed())
  for (const [s, kwh] of turned.kwh.entries()) expect(kwh).toBeCloseTo(automatic.kwh[s] ?? NaN, 6)
})

test('unequal strings on one input pull each other off their best, and are told of with what strings them again', async () => {
  const parts = [south.slice(0, 8), south.slice(8)]
  const apart = await strung({ drawn: parts.map((ids, input) => hand(ids, input)) })
  const together = await strung({ drawn: parts.map((ids) => hand(ids, 0)) })
  expect(apart.checks).toEqual([])
  const sum = ({ kwh }: typeof apart) => kwh.reduce((all, one) => all + one, 0)
  expect(sum(together)).toBeLessThan(sum(apart) * 0.99)
  expect(together.chain.lost.window.kwh).toBeGreaterThan(apart.chain.lost.window.kwh + 50)
  const check = together.checks.find(({ code }) => code === 'strings-unlike')
  expect(check).toMatchObject({
    code: 'strings-unlike',
    measured: { figure: 3, limit: 0, unit: 'count' },
    data: { input: '1', strings: 'S1, S2', modules: 3 },
    remedy: { code: 'string-automatically', set: { id: electricalId, field: 'drawn', value: [] } },
  })
})

test('two directions in one string cost energy, and are told of', async () => {
  const mixed = await strung({ drawn: [hand([...south.slice(0, 6), ...east], 0), hand(south.slice(6), 1)] })
  const check = mixed.checks.find(({ code }) => code === 'strings-mixed')
  expect(check).toMatchObject({ measured: { figure: 2, limit: 1 }, data: { directions: 2, strings: 'S1' } })
  expect(check?.objects).toHaveLength(10)
  expect(mixed.chain.lost.mismatch.kwh).toBeGreaterThan(automatic.chain.lost.mismatch.kwh + 100)
  // Each plane has its part of the string by its light.
  const [shares = []] = mixed.shares
  const parts = [shares[0] ?? NaN, shares.at(-1) ?? NaN]
  expect(parts[0]).toBeGreaterThan((parts[1] ?? NaN) * 1.05)
  expect(mixed.shares.flat().reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9)
  // The chain closes over several planes as it does over one.
  const all = Object.values(mixed.chain.lost).reduce((sum, { kwh }) => sum + kwh, 0)
  expect(mixed.chain.sun.kwh - all).toBeCloseTo(mixed.chain.ac.kwh, 6)
})

test('more strings than an input has connectors for are told of', async () => {
  const parts = [0, 4, 8].map((from) => hand(south.slice(from, from + 4), 0))
  const { checks } = await strung({ drawn: parts })
  expect(checks.find(({ code }) => code === 'strings-many')).toMatchObject({
    severity: 'broken',
    measured: { figure: 3, unit: 'count' },
  })
})

test('what is drawn over modules that are gone keeps the rest; leaving them out is one press', async () => {
  const drawn = [hand([...south.slice(0, 7), 'array-south/9:9']), hand(['array-south/9:8'])]
  const { strings, checks, gone } = await strung({ drawn })
  expect(strings.find((string) => string.drawn === 0)?.panelIds).toEqual(south.slice(0, 7))
  expect(gone).toHaveLength(2)
  const check = checks.find(({ code }) => code === 'strings-gone')
  expect(check?.remedy?.set.value).toEqual([hand(south.slice(0, 7))])
  const set = check?.remedy?.set
  if (!set) throw new Error('there is a remedy')
  expect((await strung({ [set.field]: set.value })).checks).toEqual([])
})

test('under microinverters a drawn string is a branch, and a rule that it breaks strings it again', async () => {
  const all = automatic.strings.flatMap(({ panelIds }) => panelIds)
  const long = await strung({ inverterId: 'tarnbeck-360', drawn: [hand(all)] })
  expect(long.strings.map(({ panelIds }) => panelIds)).toEqual([all])
  const world = await worldOf(
    job.house,
    set(option, electricalId, { inverterId: 'tarnbeck-360', drawn: [hand(all)] }),
  )
  const broken = checksOf(runOf(world)).find(({ code }) => code === 'branch-many')
  expect(broken?.remedy).toMatchObject({ set: { field: 'drawn', value: [] } })
  const pair = await strung({ inverterId: 'tarnbeck-360', drawn: [hand(south.slice(3, 5))] })
  expect(pair.strings[0]?.panelIds).toEqual(south.slice(3, 5))
  expect(pair.strings.flatMap(({ panelIds }) => panelIds)).toHaveLength(all.length)
})

test('with optimizers strings of one input may differ', async () => {
  const { checks } = await strung({
    optimizerId: 'thrushfield-430',
    drawn: [hand(south.slice(0, 8), 0), hand([...south.slice(8), ...east], 0)],
  })
  expect(checks.map(({ code }) => code)).not.toContain('strings-unlike')
  expect(checks.map(({ code }) => code)).not.toContain('strings-mixed')
})
