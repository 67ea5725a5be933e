import { type LedgerLine, type LineId } from '../model/ledger'
import { sharedOut } from '../model/rounding'

/** A line with the figure that is shown for it: whole units that add up wherever lines are a sum. */
export interface ShownLine extends LedgerLine {
  readonly shown: number | null
}

/**
 * Rounds the ledger as an accountant would: the sums first, then their parts so that they add up to the rounded sum.
 * Sun less losses is the yield; the yield is used, sold, lost in the battery or curtailed; used and bought are the
 * consumption; the saving is the difference of the bills. What is in no sum is shown as it is.
 */
export function balancedBooks(lines: readonly LedgerLine[]): ShownLine[] {
  const shown = new Map<LineId, number>()
  const valueOf = (id: LineId) => lines.find((line) => line.id === id)?.value ?? null
  const setWhole = (id: LineId) => {
    const value = valueOf(id)
    if (value !== null) shown.set(id, Math.round(value))
    return shown.get(id) ?? 0
  }
  /** Parts that are there make up the whole together. */
  const share = (whole: number, ids: readonly LineId[]) => {
    const there = ids.filter((id) => valueOf(id) !== null)
    sharedOut(
      whole,
      there.map((id) => valueOf(id) ?? 0),
    ).forEach((part, k) => shown.set(there[k] as LineId, part))
  }
  const made = setWhole('yield')
  const sun = setWhole('sun-on-modules')
  share(
    made - sun,
    lines.filter(({ weight, group }) => weight === 'loss' && group === 'sun').map(({ id }) => id),
  )
  const consumed = setWhole('consumption')
  const used = setWhole('used')
  if (valueOf('bought') !== null) shown.set('bought', consumed - used)
  // Losses of the use are below zero: what is left of the yield is theirs and the sold.
  const lostInUse = ['battery-loss', 'curtailed'] as const
  const rest = ['sold', ...lostInUse].filter((id) => valueOf(id as LineId) !== null) as LineId[]
  const outgoing = rest.map((id) => (id === 'sold' ? 1 : -1) * (valueOf(id) ?? 0))
  sharedOut(made - used, outgoing).forEach((part, k) => {
    const id = rest[k] as LineId
    shown.set(id, id === 'sold' ? part : -part)
  })
  const [before, after] = [setWhole('bill-now'), setWhole('bill-then')]
  if (valueOf('saving') !== null) shown.set('saving', before - after)
  setWhole('price')
  setWhole('net-price')
  return lines.map((line) => ({ ...line, shown: shown.get(line.id) ?? line.value }))
}
