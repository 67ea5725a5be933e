import { mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { type Tile } from '@/core/geometry/geo'
import { paintTile } from '@/town/tile-painter'
import { type TownMap } from '@/town/town-map'

/** Raised whenever tiles look different, so that old ones are not served. */
const painterVersion = 2

/** Tiles at hand; some 60 kB each. */
const kept = new Map<string, Buffer>()
const mostKept = 500

/** A tile from memory, from the data folder or painted now. */
export async function tileOf(map: TownMap, tile: Tile): Promise<Buffer> {
  const name = `${painterVersion}-${map.town.id}-${tile.z}-${tile.x}-${tile.y}.png`
  const known = kept.get(name)
  if (known) return known
  const folder = process.env['TALL_GABLE_DATA']
  const stored = folder ? await readFile(join(folder, 'tiles', name)).catch(() => null) : null
  const png = stored ?? paintTile(map, tile)
  kept.set(name, png)
  const oldest = kept.size > mostKept ? kept.keys().next().value : undefined
  if (oldest !== undefined) kept.delete(oldest)
  if (!stored && folder) await store(join(folder, 'tiles'), name, png)
  return png
}

async function store(folder: string, name: string, png: Buffer): Promise<void> {
  await mkdir(folder, { recursive: true })
  const half = join(folder, `${name}.${process.pid}.part`)
  await writeFile(half, png)
  await rename(half, join(folder, name))
}
