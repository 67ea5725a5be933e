import { type LayOffers } from '@/core/readers/lay-offers'
import { type Design } from '@/core/stages/world'

export interface LayingRequest {
  readonly id: number
  readonly design: Design
  readonly arrayId: string
}

/** What an array may be laid like; null where it is none, or where what it lies on cannot be built. */
export interface LayingAnswer {
  readonly id: number
  readonly offers: LayOffers | null
}
