import { z } from 'zod'
import { mostOwnParts, mostPartChanges, type Electrical } from '../kinds/electrical/electrical'
import { Fault } from '../model/fault'
import { parseNumber } from '../model/numbers'
import { between, faultOf } from '../model/rules'
import { partKey, withChange, type ChosenPart } from '../parts/chosen-parts'
import { type PartLine } from '../parts/parts-list'
import { csvLine } from './csv'
import { localeOf, readTable } from './table-file'

/** What a distributor is asked for: what is to be brought, line by line; its answer has a price in each. */
export const quoteLineSchema = z.strictObject({
  /** By which the answer is taken back. */
  line: z.string().min(1).max(120),
  part: z.string().max(400),
  count: between(0, 1e6),
  unit: z.enum(['piece', 'm']) satisfies z.ZodType<PartLine['unit']>,
})
export type QuoteLine = Readonly<z.infer<typeof quoteLineSchema>>

export const quoteFormat = 'gable-quote'
const quoteVersion = 1
const columns = ['line', 'part', 'count', 'unit', 'price'] as const
/** As many lines as a list can have; what others add to theirs is told. */
const mostRows = 1000
const highestPrice = 1e6

/** Of what is to be brought. @param nameOf a part as people read it */
export const quoteLines = (parts: readonly ChosenPart[], nameOf: (part: ChosenPart) => string): QuoteLine[] =>
  parts
    .filter(({ onSite, count }) => !onSite && count > 0)
    .map((part) => ({ line: part.key, part: nameOf(part), count: part.count, unit: part.unit }))

/** As a table with room for the prices. */
export const quoteCsv = (lines: readonly QuoteLine[]): string =>
  [
    csvLine(columns),
    ...lines.map(({ line, part, count, unit }) => csvLine([line, part, count, unit, ''])),
    '',
  ].join('\n')

export const quoteJson = (lines: readonly QuoteLine[], currency: string): string =>
  `${JSON.stringify(
    {
      format: quoteFormat,
      version: quoteVersion,
      currency,
      lines: lines.map((line) => ({ ...line, price: null })),
    },
    null,
    2,
  )}\n`

const answerSchema = z.object({
  format: z.literal(quoteFormat),
  version: z.literal(quoteVersion),
  currency: z.string(),
  lines: z
    .array(
      z.object({
        line: z.string().max(120),
        part: z.string().max(400).default(''),
        price: between(0, highestPrice, 'money').nullable(),
      }),
    )
    .max(mostRows),
})

/** Prices by the lines of a list. */
export interface PartPrices {
  /** Of one piece, or of one metre. */
  readonly prices: ReadonlyMap<string, number>
  /** Lines with a price that the list does not have. */
  readonly unknown: readonly string[]
}

/**
 * Prices from a distributor's answer: the table or the JSON that was sent, its prices filled in; or any table with the
 * columns `line` and `price`. Lines without a price are passed over.
 * @throws Fault `prices-columns`, `prices-none`, `prices-many`; `prices-cell` and `prices-twice` with the line in the
 * file; `not-json`, `bad-quote` with the path, `prices-currency`
 */
export function readPartPrices(text: string, parts: readonly ChosenPart[], currency: string): PartPrices {
  const found = /^\s*\{/.test(text.replace(/^\uFEFF/, '')) ? fromJson(text, currency) : fromTable(text)
  if (found.length === 0) throw new Fault('prices-none')
  const known = new Map(parts.map((part) => [part.key, part] as const))
  /** Added lines are known by their place: another may stand there now, which its name tells. */
  const isMeant = ({ line, part }: Answered) => {
    const own = known.get(line)
    return own !== undefined && (own.line !== null || part === '' || part === own.name?.trim())
  }
  return {
    prices: new Map(found.flatMap((one) => (isMeant(one) ? [[one.line, one.price]] : []))),
    unknown: found.filter((one) => !isMeant(one)).map(({ line }) => line),
  }
}

/** A line of an answer that has a price. */
interface Answered {
  readonly line: string
  /** As the answer calls it; empty where it does not. */
  readonly part: string
  readonly price: number
}

function fromJson(text: string, currency: string): Answered[] {
  let value: unknown
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    throw new Fault('prices-json', { detail: error.message })
  }
  const parsed = answerSchema.safeParse(value)
  if (!parsed.success) throw faultOf(parsed.error, 'bad-quote', 'quote')
  if (parsed.data.currency !== currency)
    throw new Fault('prices-currency', { theirs: parsed.data.currency, ours: currency })
  return once(parsed.data.lines.map((own, k) => ({ ...own, at: k + 1 })))
}

function fromTable(text: string): Answered[] {
  const { names, rows } = readTable(text)
  const missing = ['line', 'price'].filter((name) => !names.includes(name))
  if (missing.length > 0) throw new Fault('prices-columns', { missing: missing.join(', ') })
  if (rows.length > mostRows) throw new Fault('prices-many', { rows: rows.length, limit: mostRows })
  // What is counted may be written otherwise.
  const locale = localeOf(rows.map(({ texts }) => texts['price'] ?? ''))
  return once(
    rows.map(({ line: at, texts }) => {
      const [line = '', part = '', price = ''] = ['line', 'part', 'price'].map((name) => texts[name]?.trim())
      if (line === '' && price !== '')
        throw new Fault('prices-cell', { line: at, text: line, column: 'line' })
      return { at, line, part, price: price === '' ? null : priceIn(price, locale, at) }
    }),
  )
}

function priceIn(text: string, locale: string, at: number): number {
  const wrong = () => new Fault('prices-cell', { line: at, text: text.slice(0, 40), column: 'price' })
  let value: number
  try {
    value = parseNumber(text, locale)
  } catch (error) {
    if (error instanceof Fault) throw wrong()
    throw error
  }
  if (!(value >= 0 && value <= highestPrice)) throw wrong()
  return value
}

/** One price to a line: which of two would hold, nobody could say. */
function once(
  lines: readonly (Omit<Answered, 'price'> & { readonly at: number; readonly price: number | null })[],
): Answered[] {
  const seen = new Set<string>()
  return lines.flatMap(({ at, line, part, price }) => {
    if (price === null) return []
    if (seen.has(line)) throw new Fault('prices-twice', { line: at, part: line.slice(0, 120) })
    seen.add(line)
    return [{ line, part: part.trim(), price }]
  })
}

/**
 * The changes and the added parts with these prices.
 * @throws Fault `prices-full` where there is no room for so many
 */
export function withPrices(
  lines: readonly PartLine[],
  { partChanges, ownParts }: Pick<Electrical, 'partChanges' | 'ownParts'>,
  prices: ReadonlyMap<string, number>,
): Pick<Electrical, 'partChanges' | 'ownParts'> {
  const listed = new Map(lines.map((line) => [partKey(line), line.price] as const))
  let changes = partChanges
  for (const [key, price] of prices)
    if (listed.has(key))
      // A price that is listed anyway follows the list.
      changes = withChange(lines, { partChanges: changes }, key, {
        price: price === listed.get(key) ? null : price,
      })
  if (changes.length > mostPartChanges || ownParts.length > mostOwnParts)
    throw new Fault('prices-full', { limit: mostPartChanges })
  return {
    partChanges: changes,
    ownParts: ownParts.map((own, k) => ({ ...own, price: prices.get(`own-${k}`) ?? own.price })),
  }
}
