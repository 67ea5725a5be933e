import { freshGraph, job, runOf, set, withBattery, worldOf } from '@/town/testing'
import { electricalId } from '../kinds/electrical/electrical'
import { ofKind } from '../kinds/documents'
import { offerId } from '../kinds/offer/offer'
import { chosenParts, partsCost, toBring } from '../parts/chosen-parts'
import { partsList } from '../parts/parts-list'
import { builtOf } from '../readers/built'
import { ledgerOf } from '../readers/ledger'
import { acStage } from './ac'
import { priceStage } from './finance'
import { partsPriceStage } from './parts-price'
import { electricalIn } from './world'

const byParts = set(withBattery, offerId, { equipment: 'parts', pricePerBattery: null })
const found = async (fields: object = {}, objects = byParts) => {
  const world = await worldOf(job.house, set(objects, electricalId, fields))
  const run = runOf(world)
  return { world, run, price: run.value(priceStage), parts: run.value(partsPriceStage)[0]?.value }
}

test('the price is what the parts list comes to, and the rest by the watt', async () => {
  const { world, run, price, parts } = await found()
  const lines = partsList(builtOf(run, world))
  const sum = toBring(chosenParts(lines, electricalIn(world))).price
  expect(parts).toEqual(partsCost(lines, electricalIn(world)))
  expect(price.listed + price.batteries).toBeCloseTo(sum, 6)
  expect(price.total).toBeCloseTo(price.work + price.listed + price.batteries, 6)
  expect([price.modules, price.inverter, price.optimizers]).toEqual([0, 0, 0])
  const terms = ledgerOf(run).find(({ id }) => id === 'price')?.explanation.inputs ?? []
  expect(terms.map(({ code }) => code)).toEqual(expect.arrayContaining(['price-parts', 'price-batteries']))
})

test('what is on site is not paid, what somebody typed is, and lines without a price are counted', async () => {
  const before = await found()
  const changed = await found({
    partChanges: [
      { part: 'meter', onSite: false, count: null, price: 300 },
      { part: 'module/lumenfold-420', onSite: true, count: null, price: null },
    ],
    ownParts: [{ name: 'Boards', count: 4, unit: 'piece', price: 25 }],
  })
  expect(changed.price.listed - before.price.listed).toBeCloseTo(300 + 100 - 17 * 185, 6)
  expect((before.parts?.unpriced ?? 0) - (changed.parts?.unpriced ?? 0)).toBe(1)
})

test('priced otherwise there is nothing to count, and a tree that moves no part prices nothing anew', async () => {
  expect((await found({}, set(byParts, offerId, { equipment: 'listed' }))).parts).toBeUndefined()
  const graph = freshGraph()
  const [tree] = ofKind(job.house, 'tree')
  if (!tree) throw new Error('a tree stands there')
  const keyOf = async (house: typeof job.house) => {
    const run = runOf(await worldOf(house, byParts), graph)
    run.value(acStage)
    return run.value(partsPriceStage)[0]?.key
  }
  const before = await keyOf(job.house)
  expect(before).toBeDefined()
  expect(await keyOf(set(job.house, tree.id, { heightM: tree.heightM + 0.5 }))).toBe(before)
})
