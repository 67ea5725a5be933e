import Papa from 'papaparse'
import { offerId } from '@/core/kinds/offer/offer'
import { storageId } from '@/core/kinds/storage/storage'
import { pageSections, type PageSection } from '@/core/kinds/offer/page'
import { type Objects } from '@/core/kinds/documents'
import { summarise } from '@/core/readers/summary'
import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { speechOf } from '@/words/languages'
import { Sayer } from '@/words/sayer'
import { offerCsv, offerFigures } from './figures'
import { proposalData } from './proposal-data'
import { type ProposalData } from './shape'
import { spokenOffer } from './spoken'

const texts = { letter: '', warranty: '', terms: '', next: '' }
async function dataOf(objects: Objects, sections: readonly PageSection[] = pageSections) {
  const shown = set(objects, offerId, { page: { sections: [...sections], texts }, alsoShown: ['loan'] })
  const world = await worldOf(job.house, shown)
  const run = runOf(world, freshGraph())
  return proposalData('=1+1 & "Sons"', world, run, summarise(run, world))
}
const said = (data: ProposalData, language: 'en' | 'es' = 'en', way = data.ways?.[0]) =>
  spokenOffer(data, way, new Sayer(speechOf(language), data.site))

const whole = await dataOf(option)
const valueOf = (id: string) => {
  const line = whole.summary.ledger.find((one) => one.id === id)
  return line?.shown ?? line?.value ?? NaN
}
const group = (value: number) => Math.round(value).toLocaleString('en-US')

test('an offer is told in a few whole sentences with the figures of its page', () => {
  const sentences = said(whole)
  const modules = whole.equipment.find(({ what }) => what === 'module')
  expect(sentences).toHaveLength(5 + (whole.equipment.some(({ what }) => what === 'battery') ? 1 : 0) + 1)
  expect(sentences[0]).toMatch(
    new RegExp(`^${modules?.count} modules with [\\d.]+\\skW in all go on your roof\\.$`),
  )
  const text = sentences.join(' ')
  for (const id of ['yield', 'used', 'sold', 'bill-now', 'bill-then', 'price', 'net-price'])
    expect(text).toContain(group(valueOf(id)))
  expect(text).toContain(`After ${valueOf('payback').toFixed(1)}`)
  const end = whole.summary.cash.cumulative.at(-1) ?? 0
  expect(text).toContain(`After 25 years you have $${group(end)} more`)
  // Nothing is left unsaid, and nothing twice.
  for (const sentence of sentences) expect(sentence).toMatch(/^[A-ZÁÉ0-9].*\.$/)
  for (const sentence of said(whole, 'es')) expect(sentence).not.toMatch(/[{}]|undefined|NaN/)
  expect(said(whole, 'es')[0]).toMatch(/van sobre su tejado/)
})

test('what is paid by the month is told by the month; one that never pays says so', async () => {
  const loan = whole.ways?.find(({ way }) => way === 'loan')
  const text = said(whole, 'en', loan).join(' ')
  expect(text).toContain(`$${group(loan?.perMonth ?? NaN)} a month`)
  expect(text).not.toContain('paid for itself')
  const dear = await dataOf(set(option, offerId, { pricePerWatt: 40 }))
  expect(said(dear).join(' ')).toMatch(
    /does not pay for itself within 25 years\. After 25 years you have .* less/,
  )
}, 60_000)

test('a battery is told of, and the summary alone brings no names and no more figures than it says', async () => {
  const data = await dataOf(set(option, storageId, { batteryId: 'kestrelite-10', count: 2 }), ['summary'])
  expect(data.equipment.every(({ name }) => name === '')).toBe(true)
  expect(data.summary.ledger.map(({ id }) => id)).not.toContain('irr')
  expect(data.summary.monthly.yieldKwh).toEqual([])
  expect(said(data)[1]).toMatch(/^A battery keeps [\d.]+\skWh for the evening/)
}, 60_000)

test('the figures for programs are those of the page; the table says the same, and no name becomes a formula', () => {
  const figures = offerFigures(whole, 'd'.repeat(64))
  expect(JSON.parse(JSON.stringify(figures))).toEqual(figures)
  expect(figures.ledger.map(({ value }) => value)).toEqual(whole.summary.ledger.map(({ value }) => value))
  expect(figures.ledger.find(({ id }) => id === 'bill-now')?.unit).toBe('USD/year')
  const csv = offerCsv(whole, 'd'.repeat(64))
  const [head, ...rows] = Papa.parse<string[]>(csv.trim()).data
  expect(head).toEqual(['section', 'item', 'month or year', 'value', 'unit'])
  const values = (section: string, item: string) =>
    rows.filter(([s, i]) => s === section && i === item).map(([, , at, value]) => [at, Number(value)])
  expect(values('month', 'yieldKwh').map(([, value]) => value)).toEqual(whole.summary.monthly.yieldKwh)
  expect(values('month', 'yieldKwh').map(([at]) => at)).toEqual(
    Array.from({ length: 12 }, (_, k) => `${k + 1}`),
  )
  const cash = values('year', 'cumulative')
  expect(cash[0]).toEqual(['0', whole.summary.cash.cumulative[0]])
  expect(cash).toHaveLength(26)
  expect(cash[0]?.[1]).toBeLessThan(0)
  expect(values('way loan', 'cumulative')).toHaveLength(26)
  const job = rows.find(([section, item]) => section === 'offer' && item === 'job')
  expect(job?.[3]).toBe(`'=1+1 & "Sons"`)
  for (const row of rows) expect(row).toHaveLength(5)
  // What the page does not show is in neither.
  expect(JSON.stringify(figures)).not.toMatch(/pricePerWatt|markup|contact|notes/)
})
