import { mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { LRUCache } from 'lru-cache'
import { type Tile } from '@/core/geometry/geo'
import { paintedTile } from '../town-lane'

/** Raised whenever tiles look different, so that old ones are not served. */
const painterVersion = 4

/** Tiles at hand; some 400 kB each. */
const kept = new LRUCache<string, Uint8Array>({
  maxSize: 64_000_000,
  sizeCalculation: ({ byteLength }) => Math.max(1, byteLength),
})

/** A tile of one of a town's pictures from memory, from the data folder or painted now; null where there is none. */
export async function tileOf(townId: string, picture: string, tile: Tile): Promise<Uint8Array | null> {
  const name = `${painterVersion}-${townId}-${picture}-${tile.z}-${tile.x}-${tile.y}.png`
  const known = kept.get(name)
  if (known) return known
  const folder = process.env['TALL_GABLE_DATA']
  const stored = folder ? await readFile(join(folder, 'tiles', name)).catch(() => null) : null
  const png = stored ?? (await paintedTile(townId, picture, tile))
  if (!png) return null
  kept.set(name, png)
  if (!stored && folder) await store(join(folder, 'tiles'), name, png)
  return png
}

async function store(folder: string, name: string, png: Uint8Array): Promise<void> {
  await mkdir(folder, { recursive: true })
  const half = join(folder, `${name}.${process.pid}.part`)
  await writeFile(half, png)
  await rename(half, join(folder, name))
}
