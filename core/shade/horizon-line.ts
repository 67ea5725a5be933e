/** A point of a horizon: azimuth and elevation, degrees. */
export type HorizonPoint = readonly [azimuthDeg: number, elevationDeg: number]

/**
 * A far horizon as a line once around, beginning and ending at an azimuth at the same height.
 * @param heights azimuth from 0 to 360 in any order
 * @param fromDeg where the line begins, 0 to 360
 * @returns azimuths that rise from `fromDeg` to 360 more; none where there are no heights
 */
export function horizonLine(heights: readonly HorizonPoint[], fromDeg: number): HorizonPoint[] {
  const points = heights
    .map(([azimuth, elevation]): HorizonPoint => [fromDeg + ((azimuth - fromDeg + 720) % 360), elevation])
    .sort((a, b) => a[0] - b[0])
  const [first, last] = [points[0], points.at(-1)]
  if (!first || !last) return []
  const endDeg = fromDeg + 360
  const gap = first[0] + 360 - last[0]
  const end = last[1] + (gap > 0 ? ((first[1] - last[1]) * (endDeg - last[0])) / gap : 0)
  return [[fromDeg, end], ...points, [endDeg, end]]
}
