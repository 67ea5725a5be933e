import Papa from 'papaparse'
import { type ProposalData } from './shape'

/**
 * The figures of a customer's page for programs: what the page shows, unrounded where the page rounds, and nothing else.
 * Money is in `currency`, shares are from 0 to 1, months go from January, years from the first; `cumulative` begins with
 * year 0.
 */
export function offerFigures(data: ProposalData, digest: string) {
  const { summary, site } = data
  return {
    format: 'tall-gable-offer-figures',
    version: 1,
    digest,
    inputs: data.inputs ?? null,
    job: data.jobName,
    option: data.optionName,
    address: site.address,
    currency: site.currency,
    years: data.years,
    ledger: summary.ledger.map(({ id, value, unit }) => ({
      id,
      value,
      unit: unit.replace('money', site.currency),
    })),
    equipment: data.equipment.map(({ what, name, count, size }) => ({
      what,
      name,
      count,
      size,
      unit: what === 'battery' ? 'kWh' : 'W',
    })),
    monthly: summary.monthly,
    yearly: { billBefore: summary.cash.before, cumulative: summary.cash.cumulative },
    paidBack: data.paidBack ?? [],
    laterIncentives: data.laterIncentives ?? 0,
    ways: data.ways ?? [],
    losses: data.losses ?? null,
    assumptions: data.assumptions ?? null,
    environment: data.environment ?? null,
  }
}

type Cell = string | number | null
/** What it belongs to, what it is, its month or year, the value and its unit. */
type Row = readonly [section: string, item: string, at: Cell, value: Cell, unit: string]

/** The same as a table of one figure a line. */
export function offerCsv(data: ProposalData, digest: string): string {
  const figures = offerFigures(data, digest)
  const { currency } = figures
  const along = (section: string, item: string, values: readonly number[], first: number, unit: string) =>
    values.map((value, k): Row => [section, item, k + first, value, unit])
  const unitOf = (name: string) => (name.endsWith('Kwh') ? 'kWh' : currency)
  const rows: Row[] = [
    ['offer', 'job', null, figures.job, ''],
    ['offer', 'option', null, figures.option, ''],
    ['offer', 'address', null, figures.address, ''],
    ['offer', 'digest', null, figures.digest, ''],
    ['offer', 'inputs', null, figures.inputs, ''],
    ...figures.ledger.map(({ id, value, unit }): Row => ['figures', id, null, value, unit]),
    ...figures.equipment.flatMap(({ what, name, count, size, unit }): Row[] => [
      ['equipment', `${what} ${name}`.trim(), null, count, 'pieces'],
      ['equipment', `${what} ${name}`.trim(), null, size, unit],
    ]),
    ...Object.entries(figures.monthly).flatMap(([name, values]) =>
      along('month', name, values, 1, unitOf(name)),
    ),
    ...along('year', 'billBefore', figures.yearly.billBefore, 1, currency),
    ...along('year', 'cumulative', figures.yearly.cumulative, 0, currency),
    ...figures.paidBack.map(({ name, amount }): Row => ['paid back', name, null, amount, currency]),
    ['paid back', 'later incentives', null, figures.laterIncentives, currency],
    ...figures.ways.flatMap(({ way, cumulative, ...of }): Row[] => [
      [`way ${way}`, 'down', null, of.down, currency],
      [`way ${way}`, 'per month', null, of.perMonth, currency],
      [`way ${way}`, 'saved per month', null, of.savedPerMonth, currency],
      [`way ${way}`, 'payback', null, of.paybackYears, 'years'],
      [`way ${way}`, 'irr', null, of.irr, 'share'],
      ...along(`way ${way}`, 'cumulative', cumulative, 0, currency),
    ]),
    ...(figures.losses
      ? [
          ['losses', 'sun on the modules', null, figures.losses.sunKwh, 'kWh'] as const,
          ...figures.losses.steps.map(({ name, kwh }): Row => ['losses', name, null, kwh, 'kWh']),
          ['losses', 'yield', null, figures.losses.yieldKwh, 'kWh'] as const,
        ]
      : []),
  ]
  return `${Papa.unparse(
    [['section', 'item', 'month or year', 'value', 'unit'], ...rows.map((row) => [...row])],
    // What a customer is called is no formula of a spreadsheet.
    { escapeFormulae: true, newline: '\r\n' },
  )}\r\n`
}
