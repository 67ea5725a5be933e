import { tileAt } from '@/core/geometry/geo'
import { type Vec2 } from '@/core/geometry/vector'
import { seededRandom } from '@/core/model/random'
import { buildRoof } from '@/core/roof/roof'
import { paintTile } from '@/town/tile-painter'
import { townMap } from '@/town/town-map'
import { towns } from '@/town/towns'

/** How long roofs of many corners take, and a tile of the aerial picture. */
const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN

/** A star of so many corners, every second drawn in by chance. */
function star(corners: number, seed: number): Vec2[] {
  const random = seededRandom(seed)
  return Array.from({ length: corners }, (_, i): Vec2 => {
    const a = ((i + 0.5 * random()) / corners) * 2 * Math.PI
    const r = i % 2 ? 6 + 2 * random() : 9
    return [r * Math.cos(a), r * Math.sin(a)]
  })
}

let first = 0
for (const corners of [12, 20, 40, 60, 120]) {
  const times: number[] = []
  for (let round = 0; round < 60; round++) {
    const outline = star(corners, round)
    const edges = outline.map((_, i) => ({ pitchDeg: 25 + ((i * 7) % 20) }))
    const begin = performance.now()
    buildRoof({ outline, edges, eaveHeightM: 3 })
    if (round >= 20) times.push(performance.now() - begin)
  }
  const ms = median(times)
  first ||= ms
  console.log(
    `A roof over ${corners} corners: ${ms.toFixed(2)} ms, ${(ms / first).toFixed(1)} times one over 12`,
  )
}

const town = towns[0]
const lot = town && townMap(town).lots[6]
if (!town || !lot) throw new Error('there are towns')
const tile = tileAt(lot.place, 20)
const painted: number[] = []
for (let round = 0; round < 16; round++) {
  const begin = performance.now()
  paintTile(townMap(town), { ...tile, x: tile.x + (round % 4) })
  if (round >= 4) painted.push(performance.now() - begin)
}
console.log(`A tile of the aerial picture: ${median(painted).toFixed(0)} ms`)
