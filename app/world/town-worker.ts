import { answering } from '@/server/compute/lane'
import { townAnswer } from '@/town/answers'
import { paintTile } from '@/town/tile-painter'
import { townMap } from '@/town/town-map'
import { towns } from '@/town/towns'
import { type Tile } from '@/core/geometry/geo'

/** The entry of the made-up world's thread. */

export const answer = answering(({ path, query }: { path: string; query: string }) =>
  townAnswer(path, new URLSearchParams(query)),
)

/** A tile as PNG; null for a town that is not there. */
export const tile = answering(({ townId, at }: { townId: string; at: Tile }) => {
  const town = towns.find(({ id }) => id === townId)
  return town ? new Uint8Array(paintTile(townMap(town), at)) : null
})
