import { type Tile } from '@/core/geometry/geo'
import { Lane } from '@/server/compute/lane'
import { type TownAnswer } from '@/town/answers'

const holder = globalThis as { tallGableTown?: Lane }

/** A thread of its own: whoever computes asks the world, and must not wait for itself. */
const lane = () =>
  (holder.tallGableTown ??= new Lane({
    name: 'town',
    file: 'town.mjs',
    threads: 1,
    mostWaiting: 400,
    memoryMb: 500,
  }))

const answerMs = 20_000

export const answerOf = (path: string, query: URLSearchParams): Promise<TownAnswer> =>
  lane().run('answer', { path, query: query.toString() }, { ms: answerMs })

export const paintedTile = (townId: string, at: Tile): Promise<Uint8Array | null> =>
  lane().run('tile', { townId, at }, { ms: answerMs })
