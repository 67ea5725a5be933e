import { writtenSections, type Page, type PageSection } from '@/core/kinds/offer/page'
import { type LineId } from '@/core/model/ledger'
import { type Equipment, type ProposalData } from './shape'

/** Figures of the ledger that each section says. */
const linesOf: Readonly<Partial<Record<PageSection, readonly LineId[]>>> = {
  summary: ['yield', 'used', 'sold', 'bill-now', 'bill-then', 'price', 'net-price', 'payback'],
  figures: ['bill-now', 'bill-then', 'payback', 'self-sufficiency'],
  bill: ['bill-now', 'bill-then'],
  energy: ['yield', 'used', 'sold'],
  cash: ['payback'],
  price: ['price', 'net-price', 'irr'],
}

const noMonthly: ProposalData['summary']['monthly'] = {
  yieldKwh: [],
  loadKwh: [],
  usedKwh: [],
  billBefore: [],
  billAfter: [],
}

const textsOf = ({ sections, texts }: Page): Page['texts'] => {
  const kept = { ...texts }
  for (const section of writtenSections) if (!sections.includes(section)) kept[section] = ''
  return kept
}

/** How much of it there is, and nothing of what it is. */
const unnamed = ({ what, count, size }: Equipment): Equipment => ({
  what,
  count,
  size,
  typeId: what,
  name: '',
})

/** An offer without what the sections of its page do not show: the customer gets nothing else. */
export function shownOnly(data: ProposalData): ProposalData {
  const { page, summary, standing } = data
  const shows = (...of: PageSection[]) => of.some((section) => page.sections.includes(section))
  const lines = new Set(page.sections.flatMap((section) => linesOf[section] ?? []))
  const { yieldKwh, loadKwh, usedKwh, billBefore, billAfter } = summary.monthly
  return {
    ...data,
    page: { ...page, texts: textsOf(page), view: shows('roof') ? page.view : null },
    standing: shows('roof') ? standing : { ...standing, objects: [], arrays: [] },
    summary: {
      ledger: summary.ledger.filter(({ id }) => lines.has(id)),
      monthly: {
        ...noMonthly,
        ...(shows('energy') ? { yieldKwh, loadKwh, usedKwh } : {}),
        ...(shows('bill') ? { billBefore, billAfter } : {}),
      },
      cash: {
        cumulative: shows('cash', 'price', 'summary') ? summary.cash.cumulative : [],
        before: shows('bill') ? summary.cash.before : [],
        after: [],
      },
    },
    equipment: shows('equipment') ? data.equipment : shows('summary') ? data.equipment.map(unnamed) : [],
    paidBack: shows('price') ? (data.paidBack ?? []) : [],
    laterIncentives: shows('price') ? (data.laterIncentives ?? 0) : 0,
    losses: shows('losses') ? (data.losses ?? null) : null,
    assumptions: shows('assumptions') ? (data.assumptions ?? null) : null,
    environment: shows('environment') ? (data.environment ?? null) : null,
    // The way that is accepted is told with the form.
    ways: shows('ways') ? (data.ways ?? []) : (data.ways ?? []).slice(0, 1),
  }
}
