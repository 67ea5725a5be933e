import { type ShownLine } from './books'

/** A line of the ledger that is shown before the ledger is computed again: its figure, without where it comes from. */
export type KeptLine = Omit<ShownLine, 'explanation' | 'about'>

/** What is kept of a line. */
export const keptLine = ({ id, group, value, shown, unit, absent, weight, better }: ShownLine): KeptLine => ({
  id,
  group,
  value,
  shown,
  unit,
  ...(absent && { absent }),
  weight,
  better,
})
