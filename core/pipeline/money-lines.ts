import { type LedgerLine } from './explanation'
import { type PipelineResult } from './pipeline'

export const total = (series: Float64Array) => series.reduce((sum, value) => sum + value, 0)

const round = (value: number, digits = 1) => Number(value.toFixed(digits))

/** Where the energy goes. */
export function destinationLines(result: PipelineResult): LedgerLine[] {
  const { dispatch, loadKwh, battery, storage } = result
  const load = total(loadKwh)
  const bought = total(dispatch.bought)
  const sold = total(dispatch.sold)
  const curtailed = total(dispatch.curtailed)
  const throughBattery = total(dispatch.discharged)
  const used = total(dispatch.usedDirect) + throughBattery
  const line = (
    id: string,
    label: string,
    value: number,
    better: LedgerLine['better'],
    formula: string,
    inputs: LedgerLine['explanation']['inputs'],
    unit: LedgerLine['unit'] = 'kWh',
  ): LedgerLine => ({
    id,
    group: 'use',
    label,
    value,
    unit,
    weight: 'line',
    better,
    stage: 'dispatch',
    about: [],
    explanation: {
      formula,
      inputs,
      source: 'Own use first, hour by hour on the local clock.',
      assumptions: [
        'Load shape of an archetype day, scaled to the year’s total.',
        'Means of an hour: shorter peaks of load and sun may pass each other.',
      ],
    },
  })
  const loadInput = { label: 'Consumption', value: round(load, 0), unit: 'kWh' }
  const out: LedgerLine[] = [
    line(
      'used',
      'Used at home',
      used,
      'more',
      'Σ hours: least of yield and load, and what the battery gives',
      [loadInput, { label: 'Of it through the battery', value: round(throughBattery, 0), unit: 'kWh' }],
    ),
    line('sold', 'Sold', sold, 'more', 'Σ hours: yield − used − charged, up to the export limit', [
      { label: 'Not taken by the grid', value: round(curtailed, 0), unit: 'kWh' },
    ]),
    line('bought', 'Still bought', bought, 'less', 'Σ hours: load − used', [loadInput]),
    line(
      'self-sufficiency',
      'Self-sufficiency',
      load > 0 ? 1 - Math.min(1, bought / load) : 0,
      'more',
      '1 − bought ÷ consumption',
      [loadInput, { label: 'Bought', value: round(bought, 0), unit: 'kWh' }],
      'share',
    ),
  ]
  if (battery)
    out.push(
      line(
        'battery-loss',
        'Lost in the battery',
        -(total(dispatch.charged) - throughBattery),
        'more',
        'charged − discharged',
        [
          { label: `${storage.count} × ${battery.name}`, value: battery.usableKwh, unit: 'kWh usable each' },
          { label: 'Efficiency each way', value: round(battery.efficiency * 100), unit: '%' },
          { label: 'Reserve', value: round(storage.reserve * 100), unit: '%' },
        ],
      ),
    )
  return out
}

/** Bills, price and what comes of it. */
export function moneyLines(result: PipelineResult): LedgerLine[] {
  const { before, after, money, offer, tariffNow, tariffThen, module } = result
  const { price } = money
  // Without modules and battery there is nothing to pay back.
  const nothing = result.count === 0 && result.battery === null
  const gained = (value: number | null) => (nothing ? null : value)
  const absent = nothing ? { absent: 'to come' } : {}
  const line = (
    id: string,
    label: string,
    value: number | null,
    unit: LedgerLine['unit'],
    weight: LedgerLine['weight'],
    better: LedgerLine['better'],
    stage: string,
    explanation: LedgerLine['explanation'],
  ): LedgerLine => ({
    id,
    group: 'money',
    label,
    value,
    unit,
    weight,
    better,
    stage,
    explanation,
    about: [],
    ...absent,
  })
  const cash = (label: string, value: number) => ({
    label,
    value: round(value, 0),
    unit: result.site.currency,
  })
  const years = [
    { label: 'Years', value: offer.years, unit: '' },
    { label: 'Energy prices grow by', value: round(offer.escalation * 100), unit: '% a year' },
    { label: 'Modules lose', value: round(module.degradation * 100, 2), unit: '% a year' },
  ]
  const everyYear = [
    'Every year is run through load, battery and tariff again with the modules a year older.',
    'Year’s money is taken at the year’s end.',
  ]
  return [
    line('bill-now', 'Bill now', before.bill.annual, 'money/year', 'line', 'less', 'bill', {
      formula: '12 × fixed charge + Σ hours: consumption × price of the hour',
      inputs: [
        { label: 'Tariff', value: tariffNow.name, unit: tariffNow.utility },
        cash('Energy', before.bill.energy),
        cash('Fixed', before.bill.fixed),
      ],
      source: 'Tariff as entered.',
      assumptions: [],
    }),
    line('bill-then', 'Bill then', after.bill.annual, 'money/year', 'line', 'less', 'bill', {
      formula: '12 × fixed charge + Σ hours: bought × price of the hour − sold × export price',
      inputs: [
        { label: 'Tariff', value: tariffThen.name, unit: tariffThen.utility },
        cash('Energy', after.bill.energy),
        cash('Credit for exports', -after.bill.credit),
        cash('Fixed', after.bill.fixed),
      ],
      source: 'Tariff as entered.',
      assumptions: ['The first year.'],
    }),
    line('price', 'Price', price.total, 'money', 'line', 'less', 'finance', {
      formula: 'module power × price per watt + batteries × price of one',
      inputs: [
        cash('Modules', price.modules),
        cash('Batteries', price.batteries),
        { label: 'Per watt', value: offer.pricePerWatt, unit: result.site.currency },
      ],
      source: 'Entered in Offer.',
      assumptions: [],
    }),
    line('net-price', 'After incentive', price.net, 'money', 'line', 'less', 'finance', {
      formula: 'price × (1 − incentive)',
      inputs: [
        cash('Incentive', -price.incentive),
        { label: 'Share', value: round(offer.incentiveShare * 100), unit: '%' },
      ],
      source: 'Entered in Offer.',
      assumptions: ['The incentive is paid out with the purchase.'],
    }),
    line('payback', 'Payback', gained(money.paybackYears), 'years', 'total', 'less', 'finance', {
      formula: 'years until price after incentive is covered by the bills saved',
      inputs: [cash('Saved in the first year', before.bill.annual - after.bill.annual), ...years],
      source: 'Cumulated cash flow, in proportion within the year.',
      assumptions: everyYear,
    }),
    line('npv', 'Net present value', gained(money.npv), 'money', 'line', 'more', 'finance', {
      formula: 'Σ years: cash flow ÷ (1 + discount rate)^year',
      inputs: [{ label: 'Discount rate', value: round(offer.discountRate * 100), unit: '%' }, ...years],
      source: 'Entered in Offer.',
      assumptions: everyYear,
    }),
    line('irr', 'Return (IRR)', gained(money.irr), 'share', 'line', 'more', 'finance', {
      formula: 'the discount rate at which the net present value is nothing',
      inputs: years,
      source: 'Every sign change between −99 % and 1000 % is looked at; several or none are shown as none.',
      assumptions: everyYear,
    }),
  ]
}
