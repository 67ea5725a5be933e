/** Offers of older builds as the next version had them: none changes a figure. */
export const offerMigrations = [
  (value: Record<string, unknown>) => ({ ...value, equipment: 'in-price', listShare: 1 }),
  ({ incentiveShare, ...value }: Record<string, unknown>) => ({
    ...value,
    adders: [],
    markup: 0,
    salesTax: 0,
    incentives:
      incentiveShare === 0
        ? []
        : [{ name: 'Incentive', kind: 'share', share: incentiveShare, of: 'all', cap: null, taxed: false }],
    incomeTax: 0.25,
    exportGrowth: value['escalation'],
    upkeepGrowth: value['escalation'],
    costs: [],
    batteryFade: 0,
    replacements: [],
    pay: 'cash',
    alsoShown: [],
    loan: {
      downShare: 0,
      rate: 0.07,
      years: 15,
      feeShare: 0,
      interestOnlyMonths: 0,
      balloonShare: 0,
      paidInMonth: null,
    },
    lease: { perMonth: 100, growth: 0.02, years: 20, buyout: null },
    ppa: { perKwh: 0.15, growth: 0.02, years: 20, buyout: null },
    validDays: 60,
    page: {
      sections: [
        ...['letter', 'roof', 'figures', 'bill', 'energy', 'ways', 'cash', 'equipment', 'price'],
        ...['warranty', 'terms', 'next'],
      ],
      texts: { letter: '', warranty: '', terms: '', next: '' },
    },
    ranges: { yieldModel: 0.04, priceGrowth: 0.01, loadGrowth: 0.01, degradation: 0.002 },
  }),
  (value: Record<string, unknown>) => ({ ...value, gridCo2: null }),
  // A battery may age by its data sheet.
  (value: Record<string, unknown>) => value,
  // The page was read in what is spoken at the address.
  (value: Record<string, unknown>) => ({
    ...value,
    page: { ...(value['page'] as object), language: null },
  }),
  // The picture of the house was seen as it is usual.
  (value: Record<string, unknown>) => ({ ...value, page: { ...(value['page'] as object), view: null } }),
]
