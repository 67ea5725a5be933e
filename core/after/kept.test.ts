import { mostKept, productionSchema } from '../kinds/production/production'
import { seededRandom } from '../model/random'
import { kept, madeIn } from './kept'
import { readMade, type Made, type MadeSpan } from './made'

const at = (text: string) => Date.parse(`${text}Z`) / 3_600_000

/** Spans one after another, some of them missing. */
function spansOf(by: Made['by'], count: number, random: () => number): MadeSpan[] {
  const start = at('2023-11-01T00:00')
  const all: MadeSpan[] = []
  for (let i = 0; i < count; i++) {
    if (i > 0 && i < count - 1 && random() < 0.1) continue
    const month = (n: number) => Date.UTC(2023, 10 + n) / 3_600_000
    const fromHour = by === 'hours' ? start + i : by === 'days' ? start + 24 * i : month(i)
    const hours = by === 'hours' ? 1 : by === 'days' ? 24 : month(i + 1) - month(i)
    all.push({ fromHour, hours, kwh: random() < 0.3 ? 0 : random() * hours * 6 })
  }
  return all
}

test.each([
  ['hours', 9000],
  ['days', 900],
  ['months', 40],
] as const)('what was made by %s comes back: the same spans, each to half a unit', (by, count) => {
  const random = seededRandom(count)
  for (let round = 0; round < 20; round++) {
    const spans = spansOf(by, count, random)
    const { production, leftOut } = kept({ by, spans }, 'meter.csv')
    expect(leftOut).toBe(0)
    expect(productionSchema.parse(production)).toEqual(production)
    const back = madeIn(production)
    expect(back.by).toBe(by)
    expect(back.spans.map(({ fromHour, hours }) => [fromHour, hours])).toEqual(
      spans.map(({ fromHour, hours }) => [fromHour, hours]),
    )
    const worst = Math.max(...back.spans.map(({ kwh }, i) => Math.abs(kwh - (spans[i]?.kwh ?? 0))))
    expect(worst).toBeLessThanOrEqual(production.unitWh / 2000 + 1e-9)
    // A month of 31 days at 6 kW is 4,464 kWh: 69 Wh a unit.
    expect(production.unitWh).toBeLessThanOrEqual({ hours: 1, days: 3, months: 69 }[by])
  }
})

test('of more than three years of hours the latest are kept, and how many are not is said', () => {
  const spans = Array.from({ length: mostKept + 100 }, (_, i) => ({
    fromHour: 400_000 + i,
    hours: 1,
    kwh: i,
  }))
  const { production, leftOut } = kept({ by: 'hours', spans }, 'long.csv')
  expect(leftOut).toBe(100)
  expect(production.fromHour).toBe(400_100)
  expect(productionSchema.parse(production)).toEqual(production)
  expect(madeIn(production).spans).toHaveLength(mostKept)
  // One old reading far away from the others takes nothing of them.
  const lone = [{ fromHour: 0, hours: 1, kwh: 1 }, ...spans.slice(0, 10)]
  expect(kept({ by: 'hours', spans: lone }, 'odd.csv')).toMatchObject({ leftOut: 1 })
})

test('a file by months that skips one, by hand', () => {
  const made = readMade('month,production (kWh)\n2025-01,310.5\n2025-02,420\n2025-04,640\n2025-05,700.25\n')
  const { production } = kept(made, 'months.csv')
  // 700.25 kWh in 65,534 units: 11 Wh each.
  expect(production).toMatchObject({ grain: 'months', fromHour: at('2025-01-01T00:00'), unitWh: 11 })
  expect(madeIn(production).spans).toEqual([
    { fromHour: at('2025-01-01T00:00'), hours: 744, kwh: (28_227 * 11) / 1000 },
    { fromHour: at('2025-02-01T00:00'), hours: 672, kwh: (38_182 * 11) / 1000 },
    { fromHour: at('2025-04-01T00:00'), hours: 720, kwh: (58_182 * 11) / 1000 },
    { fromHour: at('2025-05-01T00:00'), hours: 744, kwh: (63_659 * 11) / 1000 },
  ])
})

test.each([
  ['an empty one', ''],
  ['what is no base 64', 'AAé='],
  ['more than can be', 'AAAA'.repeat(30_000)],
  ['a letter too few', 'AAAAA'],
])('spans that are %s are refused', (_, spans) => {
  const { production } = kept({ by: 'days', spans: [{ fromHour: 0, hours: 24, kwh: 3 }] }, 'a.csv')
  expect(productionSchema.safeParse({ ...production, spans }).success).toBe(false)
  expect(productionSchema.safeParse(production).success).toBe(true)
})
