import { type Graph } from '../graph/graph'
import { type PanelArray } from '../kinds/array/array'
import { patterns, type Pattern } from '../layout/patterns'
import { siteStage } from '../stages/site'
import { type Design } from '../stages/world'

type Way = Pick<PanelArray, 'orientation' | 'pattern'>

/** A way an array may be set out, and the modules it would hold with no place left empty. */
export interface LayOffer extends Way {
  readonly count: number
}

/** What an array would hold set out in other ways. */
export interface LayOffers {
  /** In its own orientation; of the patterns those alone that hold more than every tidier one. */
  readonly patterns: readonly (LayOffer & { readonly pattern: Pattern })[]
  /** In its own pattern. */
  readonly orientations: readonly LayOffer[]
}

/** Null where the array is none of the option's. */
export function layOffers(graph: Graph<Design>, design: Design, arrayId: string): LayOffers | null {
  const own = design.option[arrayId]
  if (own?.kind !== 'array') return null
  const offer = <T extends Way>(way: T): T & LayOffer => {
    const option = { ...design.option, [arrayId]: { ...own, ...way, removed: [] } }
    const { arrays } = graph.open({ ...design, option }).value(siteStage)
    return { ...way, count: arrays.find(({ id }) => id === arrayId)?.panels.length ?? 0 }
  }
  const { orientation, pattern } = own
  let most = 0
  return {
    patterns: patterns
      .map((other) => offer({ orientation, pattern: other }))
      .filter(({ count }) => {
        const more = count > most
        most = Math.max(most, count)
        return more
      }),
    orientations: (['portrait', 'landscape', 'best'] as const).map((other) =>
      offer({ orientation: other, pattern }),
    ),
  }
}
