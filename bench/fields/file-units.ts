import { type Site } from '@/core/kinds/site/site'
import { number } from '@/words/format'

const footM = 0.3048

/** Units that a drawing or a model may be drawn in, m. */
export const fileUnits = [
  ['mm', 0.001],
  ['cm', 0.01],
  ['m', 1],
  ['in', 0.0254],
  ['ft', 0.3048],
] as const

/** Roughly how large something is, m: whoever chooses a unit only has to tell a house from a town. */
export function roughSize(lengthsM: readonly number[], site: Pick<Site, 'units' | 'locale'>): string {
  const [unit, metres] = site.units === 'metric' ? (['m', 1] as const) : (['ft', footM] as const)
  const lengths = lengthsM.map((lengthM) => lengthM / metres)
  const digits = Math.max(...lengths) < 10 ? 1 : 0
  return `${lengths.map((length) => number(length, site, digits)).join(' × ')} ${unit}`
}
