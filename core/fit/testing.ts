import { type Vec2 } from '../geometry/vector'
import { type HeightGrid } from '../heights/raster'
import { gaussian, seededRandom } from '../model/random'

const cellM = 0.25

/** A square raster of 30 m around the origin; heights by place, with scatter. */
export function rasterOf(heightAt: (p: Vec2) => number, noiseM = 0, seed = 1, sideM = cellM): HeightGrid {
  const count = Math.round(30 / sideM)
  const normal = gaussian(seededRandom(seed))
  const first: Vec2 = [-15 + sideM / 2, 15 - sideM / 2]
  const heights = Float32Array.from({ length: count * count }, (_, k) => {
    const p: Vec2 = [first[0] + (k % count) * sideM, first[1] - Math.floor(k / count) * sideM]
    return heightAt(p) + noiseM * normal()
  })
  return { columns: count, rows: count, heights, first, across: [sideM, 0], down: [0, -sideM] }
}
