import { Memo } from './memo'

test('a stage is computed once for the same inputs and again for others', () => {
  const memo = new Memo()
  let computed = 0
  const square = (n: number) => memo.stage('square', 1, { n }, [], (reads) => (computed++, reads.n * reads.n))
  expect(square(3).value).toBe(9)
  expect(square(3).key).toBe(square(3).key)
  expect(computed).toBe(1)
  expect(square(4).value).toBe(16)
  expect(square(4).key).not.toBe(square(3).key)
  expect(computed).toBe(2)
})

test('what a stage builds on is part of its key', () => {
  const memo = new Memo()
  const base = (n: number) => memo.stage('base', 1, { n }, [], (reads) => reads.n)
  const above = (n: number) => memo.stage('above', 1, {}, [base(n)], () => base(n).value + 1)
  expect(above(1).value).toBe(2)
  expect(above(5).value).toBe(6)
  expect(above(1).value).toBe(2)
})

test('the least recently used go first', () => {
  const memo = new Memo()
  const seen: string[] = []
  const part = (key: string) => memo.part('part', key, 2, () => (seen.push(key), key))
  part('a')
  part('b')
  part('a')
  part('c')
  part('a')
  part('b')
  expect(seen).toEqual(['a', 'b', 'c', 'b'])
})
