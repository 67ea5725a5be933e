import { runAll, type Progressed } from './run-all'

const items = ['a', 'b', 'c', 'd'].map((name) => ({ name }))

test('each has its turn in order; what fails is named, and the rest is done', async () => {
  const seen: string[] = []
  const told: Progressed[] = []
  const end = await runAll(
    items,
    async ({ name }) => {
      seen.push(name)
      return name === 'b' ? { fault: 'No.' } : { id: name }
    },
    (progress) => told.push(progress),
    () => false,
  )
  expect(seen).toEqual(['a', 'b', 'c', 'd'])
  expect(told.map(({ done, failed }) => [done, failed.length])).toEqual([
    [0, 0],
    [1, 0],
    [1, 1],
    [2, 1],
    [3, 1],
  ])
  expect(end).toEqual({ done: 3, of: 4, failed: [{ name: 'b', fault: 'No.' }] })
})

test('stopped, it leaves the rest as it is', async () => {
  let turns = 0
  const end = await runAll(
    items,
    async ({ name }) => (turns++, { id: name }),
    () => undefined,
    () => turns === 2,
  )
  expect([turns, end.done, end.of]).toEqual([2, 2, 4])
})
