import { type Tile } from '@/core/geometry/geo'
import { Lane } from '@/server/compute/lane'
import { type TownAnswer } from '@/town/answers'

const holder = globalThis as { tallGableTown?: { readonly answers: Lane; readonly tiles: Lane } }

const lane = (name: string) =>
  new Lane({ name, file: 'town.mjs', threads: 1, mostWaiting: 400, memoryMb: 500 })

/**
 * Threads of their own: whoever computes asks the world and must not wait for itself, and weather must not wait for the
 * many tiles of a picture.
 */
const lanes = () => (holder.tallGableTown ??= { answers: lane('town'), tiles: lane('tiles') })

/** Longest waits; a whole sheet of tiles may be asked for at once. */
const answerMs = 30_000
const tileMs = 60_000

export const answerOf = (path: string, query: URLSearchParams): Promise<TownAnswer> =>
  lanes().answers.run('answer', { path, query: query.toString() }, { ms: answerMs })

export const paintedTile = (townId: string, picture: string, at: Tile): Promise<Uint8Array | null> =>
  lanes().tiles.run('tile', { townId, picture, at }, { ms: tileMs })
