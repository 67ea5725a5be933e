import { type BillLineCode } from '@/core/tariff/bill-lines'

/** Lines of a bill that have no name of their own. */
export const billLines = {
  fixed: 'Monthly fixed charge',
  daily: 'Daily charge',
  energy: 'Energy',
  tier: 'Tier',
  demand: 'Demand charge',
  'non-bypassable': 'Non-bypassable charge',
  exports: 'Exports',
  'credit-carried': 'Credit carried forward',
  'credit-used': 'Credit from earlier months',
  'credit-lapsed': 'Credit not carried forward',
  surplus: 'Surplus paid out',
  minimum: 'Minimum bill',
  tax: 'Tax',
  credit: 'Credit',
} as const satisfies Record<BillLineCode, string>
