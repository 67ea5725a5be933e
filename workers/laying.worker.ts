import { Graph } from '@/core/graph/graph'
import { layOffers } from '@/core/readers/lay-offers'
import { type Design } from '@/core/stages/world'
import { faultDetail } from './fault-detail'
import { type LayingAnswer, type LayingRequest } from './laying-messages'

const graph = new Graph<Design>({ now: () => performance.now() })

/** Lays arrays in every way off the page's thread. */
self.onmessage = ({ data: { id, design, arrayId } }: MessageEvent<LayingRequest>) => {
  let answer: LayingAnswer
  try {
    answer = { id, offers: layOffers(graph, design, arrayId), fault: null }
  } catch (error) {
    answer = { id, offers: null, fault: faultDetail(error) }
  }
  self.postMessage(answer)
}
