import { seededRandom } from '@/core/model/random'
import { balancedBooks } from '@/core/readers/books'
import { type LedgerLine } from '@/core/model/ledger'
import { differences } from './differences'

const line = (id: LedgerLine['id'], value: number | null, more: Partial<LedgerLine> = {}): LedgerLine => ({
  ...{ id, value, unit: 'kWh', group: 'use', weight: 'line', better: 'more', about: [] },
  explanation: { formula: { code: 'sun-on-modules' }, inputs: [], sources: [], assumptions: [] },
  ...more,
})

const ledger = (random: () => number): LedgerLine[] => {
  const [made, load] = [random() * 9000, random() * 12_000]
  const used = Math.min(made, load) * random()
  return [
    line('yield', made),
    line('used', used),
    line('sold', made - used),
    line('bought', load - used),
    line('consumption', load),
    line('payback', random() < 0.3 ? null : random() * 30, { unit: 'years', group: 'money' }),
  ]
}

test('a figure that is read is the one before and its change, to the unit', () => {
  const random = seededRandom(77)
  for (let round = 0; round < 2000; round++) {
    const [before, now] = [balancedBooks(ledger(random)), balancedBooks(ledger(random))]
    const changed = differences(before, now)
    for (const [k, { id, shown, unit }] of now.entries()) {
      const was = before[k]?.shown ?? null
      if (shown === null || was === null) expect(changed).not.toHaveProperty([id])
      else if (unit === 'kWh') expect(was + (changed[id] ?? 0)).toBe(shown)
    }
  }
})

test('what is too little to be read is no change', () => {
  const of = (id: LedgerLine['id'], unit: LedgerLine['unit'], value: number) =>
    balancedBooks([line(id, value, { unit })])
  expect(differences(of('payback', 'years', 9), of('payback', 'years', 9.004))).toEqual({})
  expect(differences(of('payback', 'years', 9), of('payback', 'years', 9.006))).toEqual({
    payback: expect.closeTo(0.006, 9) as number,
  })
  expect(differences(of('self-sufficiency', 'share', 0.3), of('self-sufficiency', 'share', 0.3004))).toEqual(
    {},
  )
  expect(differences(of('yield', 'kWh', 100.4), of('yield', 'kWh', 99.6))).toEqual({})
})
