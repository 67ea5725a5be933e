import { Graph } from '@/core/graph/graph'
import { Fault } from '@/core/model/fault'
import { layOffers, type LayOffers } from '@/core/readers/lay-offers'
import { type Design } from '@/core/stages/world'
import { type LayingAnswer, type LayingRequest } from './laying-messages'

const graph = new Graph<Design>({ now: () => performance.now() })

/** Null where the design is at fault, which is said where its figures are. */
function offersOf(design: Design, arrayId: string): LayOffers | null {
  try {
    return layOffers(graph, design, arrayId)
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
}

/** Lays arrays in every way off the page's thread. */
self.onmessage = ({ data: { id, design, arrayId } }: MessageEvent<LayingRequest>) => {
  const answer: LayingAnswer = { id, offers: offersOf(design, arrayId) }
  self.postMessage(answer)
}
