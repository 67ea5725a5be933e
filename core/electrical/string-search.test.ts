import fc from 'fast-check'
import { arrangeStrings, type InputStrings, type StringLimits } from './string-search'

/** Modules left, strings, strings side by side, and squared lengths: less is better, the first that differs decides. */
type Cost = readonly [number, number, number, number]

const costOf = (groups: readonly (readonly InputStrings[])[], modules: number): Cost => {
  const all = groups.flat()
  const placed = all.reduce((sum, i) => sum + i.strings * i.modules, 0)
  return [
    modules - placed,
    all.reduce((sum, i) => sum + i.strings, 0),
    all.reduce((sum, i) => sum + i.strings - 1, 0),
    all.reduce((sum, i) => sum + i.strings * i.modules ** 2, 0),
  ]
}

const less = (a: Cost, b: Cost): boolean => {
  const at = a.findIndex((value, i) => value !== b[i])
  return at >= 0 && (a[at] as number) < (b[at] as number)
}

/** Every way there is, one input after the other: nothing on it, or equal strings of one group. */
function best(groups: readonly number[], limits: StringLimits): Cost {
  const total = groups.reduce((sum, n) => sum + n, 0)
  let found: Cost = [Infinity, 0, 0, 0]
  const chosen: InputStrings[][] = groups.map(() => [])
  const rest = [...groups]
  const from = (input: number) => {
    const cost = costOf(chosen, total)
    if (less(cost, found)) found = cost
    if (input === limits.inputs) return
    for (let g = 0; g < groups.length; g++)
      for (let strings = 1; strings <= limits.parallel; strings++)
        for (let modules = limits.fewest; modules <= limits.most; modules++) {
          if (strings * modules > (rest[g] as number)) continue
          chosen[g]?.push({ strings, modules })
          rest[g] = (rest[g] as number) - strings * modules
          from(input + 1)
          rest[g] = (rest[g] as number) + strings * modules
          chosen[g]?.pop()
        }
  }
  from(0)
  return found
}

test('two equal strings go on inputs of their own', () => {
  expect(arrangeStrings([20], { fewest: 4, most: 12, inputs: 3, parallel: 2 })).toEqual({
    groups: [
      [
        { strings: 1, modules: 10 },
        { strings: 1, modules: 10 },
      ],
    ],
    left: [0],
  })
})

test('side by side only where inputs run out, and then equally long', () => {
  const { groups, left } = arrangeStrings([24, 9], { fewest: 4, most: 12, inputs: 2, parallel: 2 })
  expect(groups).toEqual([[{ strings: 2, modules: 12 }], [{ strings: 1, modules: 9 }]])
  expect(left).toEqual([0, 0])
})

test('what cannot hang anywhere is left, and said', () => {
  // Three modules are too few for a string; 23 are one more than two of eleven.
  expect(arrangeStrings([23, 3], { fewest: 5, most: 11, inputs: 2, parallel: 1 }).left).toEqual([1, 3])
  expect(arrangeStrings([8], { fewest: 9, most: 8, inputs: 2, parallel: 1 })).toEqual({
    groups: [[]],
    left: [8],
  })
  expect(arrangeStrings([8], { fewest: 2, most: 8, inputs: 0, parallel: 1 }).left).toEqual([8])
  expect(arrangeStrings([], { fewest: 2, most: 8, inputs: 2, parallel: 1 })).toEqual({ groups: [], left: [] })
})

test('whatever the roof: as good as the best of all ways', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 14 }), { minLength: 1, maxLength: 3 }),
      fc.integer({ min: 1, max: 5 }),
      fc.integer({ min: 0, max: 5 }),
      fc.integer({ min: 0, max: 3 }),
      fc.integer({ min: 1, max: 3 }),
      (groups, fewest, more, inputs, parallel) => {
        const limits = { fewest, most: fewest + more, inputs, parallel }
        const found = arrangeStrings(groups, limits)
        const total = groups.reduce((sum, n) => sum + n, 0)
        expect(costOf(found.groups, total)).toEqual(best(groups, limits))
        expect(found.groups.flat().length).toBeLessThanOrEqual(inputs)
        found.groups.forEach((own, g) => {
          const placed = own.reduce((sum, i) => sum + i.strings * i.modules, 0)
          expect(placed + (found.left[g] as number)).toBe(groups[g])
          for (const { strings, modules } of own) {
            expect(strings).toBeLessThanOrEqual(parallel)
            expect(modules).toBeGreaterThanOrEqual(fewest)
            expect(modules).toBeLessThanOrEqual(limits.most)
          }
        })
      },
    ),
    { seed: 141, numRuns: 1000 },
  )
})
