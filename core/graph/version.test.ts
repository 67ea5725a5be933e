import { stage, type Stage } from './stage'
import { versionOf } from './version'

interface World {
  readonly a: number
}
const first = (version: number): Stage<World, number> =>
  stage({
    name: 'first',
    version,
    after: {},
    reads: (world: World) => ({ a: world.a }),
    compute: ({ a }) => a,
  })
const second = (before: Stage<World, number>, version = 1): Stage<World, number> =>
  stage({
    name: 'second',
    version,
    after: { before },
    reads: (_world: World) => ({}),
    compute: (_reads, after) => after.before + 1,
  })

test('results are told apart by the versions of their stages and of all that comes before, and by nothing else', () => {
  const of = (...stages: readonly Stage<World, unknown>[]) => versionOf(stages)
  expect(of(second(first(1)))).toBe(of(second(first(1))))
  expect(of(second(first(2)))).not.toBe(of(second(first(1))))
  expect(of(second(first(1), 2))).not.toBe(of(second(first(1))))
  // Whatever the order they are named in, and once each.
  expect(of(first(1), second(first(1)))).toBe(of(second(first(1))))
})
