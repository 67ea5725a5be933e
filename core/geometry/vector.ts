/** Points and directions as tuples; local frame x east, y north, z up, metres. */
export type Vec2 = readonly [number, number]
export type Vec3 = readonly [number, number, number]

export const add2 = (a: Vec2, b: Vec2): Vec2 => [a[0] + b[0], a[1] + b[1]]
export const sub2 = (a: Vec2, b: Vec2): Vec2 => [a[0] - b[0], a[1] - b[1]]
export const scale2 = (a: Vec2, k: number): Vec2 => [a[0] * k, a[1] * k]
export const dot2 = (a: Vec2, b: Vec2) => a[0] * b[0] + a[1] * b[1]
/** z of the cross product: positive when b lies to the left of a. */
export const cross2 = (a: Vec2, b: Vec2) => a[0] * b[1] - a[1] * b[0]
export const length2 = (a: Vec2) => Math.hypot(a[0], a[1])
export const distance2 = (a: Vec2, b: Vec2) => Math.hypot(a[0] - b[0], a[1] - b[1])

/** A turn by 90 degrees to the left: the inward side of a counter-clockwise edge. */
export const left2 = (a: Vec2): Vec2 => [-a[1], a[0]]

export function unit2(a: Vec2): Vec2 {
  const length = length2(a)
  return length === 0 ? [0, 0] : [a[0] / length, a[1] / length]
}

/** Turns a by an angle in radians, counter-clockwise. */
export function rotate2(a: Vec2, radians: number): Vec2 {
  const c = Math.cos(radians)
  const s = Math.sin(radians)
  return [a[0] * c - a[1] * s, a[0] * s + a[1] * c]
}

export const add3 = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
export const sub3 = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
export const scale3 = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k]
export const middle3 = (a: Vec3, b: Vec3): Vec3 => scale3(add3(a, b), 0.5)
export const dot3 = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const cross3 = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
export const length3 = (a: Vec3) => Math.hypot(a[0], a[1], a[2])

export function unit3(a: Vec3): Vec3 {
  const length = length3(a)
  return length === 0 ? [0, 0, 0] : scale3(a, 1 / length)
}

/** Newell's area normal of a polygon in space: twice its area long, upward for corners counter-clockwise from above. */
export function newell(polygon: readonly Vec3[]): Vec3 {
  let [x, y, z] = [0, 0, 0]
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length] ?? a
    x += (a[1] - b[1]) * (a[2] + b[2])
    y += (a[2] - b[2]) * (a[0] + b[0])
    z += (a[0] - b[0]) * (a[1] + b[1])
  })
  return [x, y, z]
}
