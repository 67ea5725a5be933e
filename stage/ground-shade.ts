import { DataTexture, LinearFilter, RedFormat, Vector2 } from 'three'
import { containsPoint } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { planeHeightM, planOf } from '@/core/roof/plane'
import { type Site } from '@/core/site/site'

/** Width of the square of ground around the house that is shaded, m, and points along it. */
const wideM = 64
const points = 96
/** Ways looked to from each point, and how far, m. */
const ways = 16
const reachM = 16
const strideM = 0.7

const stepM = wideM / points

/** The share of the sky that each point of the ground sees past the houses; a texture with its place. */
export class GroundShade {
  readonly #values = new Uint8Array(points * points).fill(255)
  readonly uniforms = {
    groundSky: { value: new DataTexture(this.#values, points, points, RedFormat) },
    /** South-western corner, m. */
    groundCorner: { value: new Vector2(-wideM / 2, -wideM / 2) },
    groundWideM: { value: wideM },
  }

  constructor() {
    const texture = this.uniforms.groundSky.value
    texture.minFilter = texture.magFilter = LinearFilter
    texture.needsUpdate = true
  }

  /** Computes it anew around a place. */
  fit(site: Site, [x, y]: Vec2): void {
    const corner: Vec2 = [x - wideM / 2, y - wideM / 2]
    this.#values.set(groundSky(site, corner))
    this.uniforms.groundCorner.value.set(...corner)
    this.uniforms.groundSky.value.needsUpdate = true
  }

  dispose(): void {
    this.uniforms.groundSky.value.dispose()
  }
}

/** Declarations and code for a ground material: light from all around is dimmed by the sky that is hidden. */
export const groundSkyDeclared = /* glsl */ `
  uniform sampler2D groundSky;
  uniform vec2 groundCorner;
  uniform float groundWideM;
  float skyOver(vec2 place) {
    vec2 at = (place - groundCorner) / groundWideM;
    vec2 rim = smoothstep(vec2(0.0), vec2(0.04), min(at, 1.0 - at));
    return mix(1.0, texture2D(groundSky, at).r, rim.x * rim.y);
  }
`

/** Points looked across on each way. */
const steps = Math.floor(reachM / strideM)
/** Points of open ground around the square, so that no look leaves it. */
const rim = Math.ceil(reachM / stepM)
const rimmed = points + 2 * rim

/** From a point of the rimmed square to those it looks across: how far on they stand in its array, way by way. */
const looks = Int32Array.from({ length: ways * steps }, (_, i) => {
  const a = (2 * Math.PI * (Math.floor(i / steps) + 0.5)) / ways
  const away = (strideM * ((i % steps) + 1)) / stepM
  return Math.round(Math.sin(a) * away) * rimmed + Math.round(Math.cos(a) * away)
})

/**
 * Sky-view factor of level ground, 255 for all of the sky, rows from the south: cosine-weighted, so that a horizon at
 * elevation e hides sin^2 e of its slice (Oke 1987, Boundary Layer Climates, ch. 4). Under a house stands what is next to it.
 */
export function groundSky(site: Site, corner: Vec2): Uint8Array {
  const heights = heightsOf(site, corner)
  const sky = new Uint8Array(points * points).fill(255)
  const around = new Float32Array(rimmed * rimmed)
  let [south, north, west, east] = [points, -1, points, -1]
  heights.forEach((height, at) => {
    if (height === 0) return
    const [row, column] = [Math.floor(at / points), at % points]
    around[(row + rim) * rimmed + column + rim] = height
    south = Math.min(south, row)
    north = Math.max(north, row)
    west = Math.min(west, column)
    east = Math.max(east, column)
  })
  // Farther off nothing is seen.
  for (let row = Math.max(0, south - rim); row <= Math.min(points - 1, north + rim); row++)
    for (let column = Math.max(0, west - rim); column <= Math.min(points - 1, east + rim); column++) {
      const at = row * points + column
      if ((heights[at] ?? 0) === 0) sky[at] = Math.round(255 * skySeen(around, column, row))
    }
  return underHouses(heights, sky)
}

/** The share of the sky over one point, 0..1. */
function skySeen(around: Float32Array, column: number, row: number): number {
  const from = (row + rim) * rimmed + column + rim
  let hidden = 0
  for (let way = 0; way < ways; way++) {
    let steepest = 0
    for (let k = 0; k < steps; k++) {
      const height = around[from + (looks[way * steps + k] ?? 0)] ?? 0
      if (height > steepest * strideM * (k + 1)) steepest = height / (strideM * (k + 1))
    }
    hidden += (steepest * steepest) / (1 + steepest * steepest)
  }
  return 1 - hidden / ways
}

/** Heights of roofs over the points. */
function heightsOf(site: Site, corner: Vec2): Float32Array {
  const heights = new Float32Array(points * points)
  const place = (column: number, row: number): Vec2 => [
    corner[0] + (column + 0.5) * stepM,
    corner[1] + (row + 0.5) * stepM,
  ]
  for (const { geometry } of site.objects)
    for (const face of geometry.faces) {
      const plan = planOf(face.corners)
      const [xs, ys] = [plan.map((p) => p[0]), plan.map((p) => p[1])]
      const first = (values: number[], from: number) =>
        Math.max(0, Math.floor((Math.min(...values) - from) / stepM))
      const last = (values: number[], from: number) =>
        Math.min(points - 1, Math.ceil((Math.max(...values) - from) / stepM))
      for (let row = first(ys, corner[1]); row <= last(ys, corner[1]); row++)
        for (let column = first(xs, corner[0]); column <= last(xs, corner[0]); column++) {
          const p = place(column, row)
          if (!containsPoint(plan, p)) continue
          const at = row * points + column
          heights[at] = Math.max(heights[at] ?? 0, planeHeightM(face, p))
        }
    }
  return heights
}

/** Gives points under houses the darkest of their neighbours outside, so that no light shines in at the walls. */
function underHouses(heights: Float32Array, sky: Uint8Array): Uint8Array {
  const out = Uint8Array.from(sky)
  for (let row = 0; row < points; row++)
    for (let column = 0; column < points; column++) {
      const at = row * points + column
      if ((heights[at] ?? 0) === 0) continue
      let least = 255
      for (let y = Math.max(0, row - 2); y <= Math.min(points - 1, row + 2); y++)
        for (let x = Math.max(0, column - 2); x <= Math.min(points - 1, column + 2); x++)
          if ((heights[y * points + x] ?? 0) === 0) least = Math.min(least, sky[y * points + x] ?? 255)
      out[at] = least
    }
  return out
}
