import { mostWorth, type Trimmed } from '../layout/trim'

/** What modules are ranked by, and whether rows stay unbroken. */
export interface TrimRule {
  readonly by: 'access' | 'sun' | 'money'
  readonly unbroken: boolean
}

/** A module as the summary has it. */
export interface TrimPanel extends Trimmed {
  /** Light behind the glass over the year, kWh/m². */
  readonly sunKwhM2: number
  readonly sunAccess: number
  /** What the year would cost more without it alone, under the tariff: money a year. */
  readonly worth: number
}

/** Two in the same shade, or that bring the same, part by their light. */
function rankOf({ sunKwhM2, sunAccess, worth }: TrimPanel, by: TrimRule['by']): number {
  if (by === 'sun') return sunKwhM2
  return (by === 'access' ? sunAccess : worth) + sunKwhM2 * 1e-9
}

/** The ids of those that stay when `count` do. */
export function keptOf(panels: readonly TrimPanel[], count: number, { by, unbroken }: TrimRule) {
  const ranked = panels.map((panel) => ({
    ...panel,
    worth: rankOf(panel, by),
  }))
  return mostWorth(ranked, count, { unbroken })
}

/** The share of all light that those kept have: what the yield goes by, near enough to choose a count by. */
export function lightShare(panels: readonly TrimPanel[], kept: ReadonlySet<string>): number {
  const all = panels.reduce((sum, { sunKwhM2 }) => sum + sunKwhM2, 0)
  return all > 0 ? panels.reduce((sum, { id, sunKwhM2 }) => sum + (kept.has(id) ? sunKwhM2 : 0), 0) / all : 0
}

/** The fewest that have at least a share of all light; all of them where only they do. */
export function fewestWith(panels: readonly TrimPanel[], share: number, rule: TrimRule): number {
  let [few, enough] = [0, panels.length]
  while (enough - few > 1) {
    const middle = (few + enough) >> 1
    if (lightShare(panels, keptOf(panels, middle, rule)) >= share - 1e-9) enough = middle
    else few = middle
  }
  return enough
}
