import { type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { mostWorth, piecesOf, type Trimmed } from './trim'

/** Rows of modules a metre wide, with a gap where a number is missing: `[[5, 4, null, 3]]`. */
const rowsOf = (rows: readonly (readonly (number | null)[])[]): Trimmed[] =>
  rows.flatMap((row, v) =>
    row.flatMap((worth, u): Trimmed[] => {
      if (worth === null) return []
      const corner = (du: number, dv: number): Vec3 => [u + du, 2 * v + dv, 3]
      const corners = [corner(0, 0), corner(0.98, 0), corner(0.98, 1.9), corner(0, 1.9)]
      return [{ id: `a/${v}:${u}`, arrayId: 'a', slot: `${v}:${u}`, corners, worth }]
    }),
  )
const worthOf = (modules: readonly Trimmed[], ids: ReadonlySet<string>) =>
  modules.reduce((sum, { id, worth }) => sum + (ids.has(id) ? worth : 0), 0)

test('a row is parted where something stands between', () => {
  const pieces = piecesOf(rowsOf([[1, 1, null, 1], [1]]))
  expect(pieces.map((piece) => piece.map(({ slot }) => slot))).toEqual([['0:0', '0:1'], ['0:3'], ['1:0']])
})

test('free choice takes the best wherever they are; unbroken rows the best side by side', () => {
  const modules = rowsOf([
    [9, 1, 8, 7],
    [6, 5, 4, 3],
  ])
  expect([...mostWorth(modules, 4, { unbroken: false })].sort()).toEqual(['a/0:0', 'a/0:2', 'a/0:3', 'a/1:0'])
  // 8 + 7 and 6 + 5 are 26; with the 9 come 1 + 8 + 7, which make 25.
  const tidy = mostWorth(modules, 4, { unbroken: true })
  expect([...tidy].sort()).toEqual(['a/0:2', 'a/0:3', 'a/1:0', 'a/1:1'])
})

test('none, all, more than all', () => {
  const modules = rowsOf([[1, 2, 3]])
  for (const unbroken of [true, false]) {
    expect(mostWorth(modules, 0, { unbroken }).size).toBe(0)
    expect(mostWorth(modules, -3, { unbroken }).size).toBe(0)
    expect(mostWorth(modules, 3, { unbroken }).size).toBe(3)
    expect(mostWorth(modules, 99, { unbroken }).size).toBe(3)
    expect(mostWorth([], 5, { unbroken }).size).toBe(0)
  }
})

/** Every choice there is of so many modules. */
function* choices(ids: readonly string[], count: number): Generator<string[]> {
  if (count === 0) yield []
  else
    for (const [i, id] of ids.entries())
      for (const others of choices(ids.slice(i + 1), count - 1)) yield [id, ...others]
}

test('as good as the best of all choices, on 150 seeded roofs of up to 10 modules', () => {
  for (let seed = 1; seed <= 150; seed++) {
    const random = seededRandom(seed)
    const rows = Array.from({ length: 1 + Math.floor(random() * 3) }, () =>
      Array.from({ length: 1 + Math.floor(random() * 4) }, () =>
        random() < 0.2 ? null : Math.round(100 + 900 * random()),
      ),
    )
    const modules = rowsOf(rows).slice(0, 10)
    const count = Math.floor(random() * (modules.length + 1))
    const pieces = piecesOf(modules)
    const isUnbroken = (kept: ReadonlySet<string>) =>
      pieces.every((piece) => {
        const marks = piece.map(({ id }) => (kept.has(id) ? 'x' : '.')).join('')
        return !/x\.+x/.test(marks)
      })
    let [free, tidy] = [-1, -1]
    for (const choice of choices(
      modules.map(({ id }) => id),
      count,
    )) {
      const kept = new Set(choice)
      const worth = worthOf(modules, kept)
      free = Math.max(free, worth)
      if (isUnbroken(kept)) tidy = Math.max(tidy, worth)
    }
    const own = mostWorth(modules, count, { unbroken: true })
    expect([seed, own.size, isUnbroken(own), worthOf(modules, own)]).toEqual([seed, count, true, tidy])
    expect([seed, worthOf(modules, mostWorth(modules, count, { unbroken: false }))]).toEqual([seed, free])
  }
})
