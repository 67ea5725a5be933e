import { type Incentive } from '@/core/kinds/offer/offer'

/** Programmes that pay for solar in each town; the first is in every new job there. */
const programmes: Readonly<Record<string, readonly [Incentive, ...Incentive[]]>> = {
  pellworth: [
    { name: 'County solar rebate', kind: 'share', share: 0.25, of: 'all', cap: null, taxed: false },
    {
      name: 'State income tax credit',
      kind: 'tax-credit',
      share: 0.15,
      of: 'solar',
      cap: 6000,
      taxPerYear: 2500,
      years: 5,
    },
    { name: 'Battery rebate', kind: 'share', share: 0.2, of: 'battery', cap: 3000, taxed: true },
    {
      name: 'Renewable certificates',
      kind: 'certificates',
      perMwh: [72, 70, 66, 61, 55, 50, 45, 40, 35, 30],
      taxed: true,
    },
  ],
  tarrowee: [
    { name: 'Rooftop grant', kind: 'share', share: 0.2, of: 'all', cap: null, taxed: false },
    { name: 'Small-system certificates', kind: 'per-kw', perKw: 310, cap: 4000, taxed: false },
    { name: 'Vale battery loan bonus', kind: 'fixed', amount: 1200, taxed: false },
  ],
  valdecorva: [
    { name: 'Municipal grant', kind: 'share', share: 0.2, of: 'all', cap: null, taxed: false },
    { name: 'Prima por producción', kind: 'per-kwh', perKwh: 0.032, growth: -0.02, years: 8, taxed: true },
    {
      name: 'Amortización lineal',
      kind: 'depreciation',
      shares: Array.from({ length: 10 }, () => 0.1),
    },
  ],
}

/** The programmes of a town; none for one that is not there. */
export const incentivesIn = (townId: string): readonly Incentive[] => programmes[townId] ?? []

/** What a new job in a town has of them. */
export const usualIncentives = (townId: string): readonly Incentive[] => incentivesIn(townId).slice(0, 1)
