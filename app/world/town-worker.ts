import { answering } from '@/server/compute/lane'
import { flightsOver } from '@/town/aerial/flights'
import { townAnswer } from '@/town/answers'
import { paintTile } from '@/town/tile-painter'
import { townMap } from '@/town/town-map'
import { towns } from '@/town/towns'
import { type Tile } from '@/core/geometry/geo'

/** The entry of the made-up world's thread. */

export const answer = answering(({ path, query }: { path: string; query: string }) =>
  townAnswer(path, new URLSearchParams(query)),
)

/** A tile as PNG; null for a town or a picture that is not there. */
export const tile = answering(({ townId, picture, at }: { townId: string; picture: string; at: Tile }) => {
  const town = towns.find(({ id }) => id === townId)
  const flight = town && flightsOver(town).find(({ id }) => id === picture)
  return flight ? new Uint8Array(paintTile(townMap(town), at, flight)) : null
})
