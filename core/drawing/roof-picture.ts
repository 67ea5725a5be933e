import { ofKind, type Objects } from '../model/document'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { type Roof } from '../roof/roof'

/** A filled outline of the small picture, north up, x to the right and y down, within 0..100. */
export interface PicturePart {
  readonly points: [number, number][]
  readonly tone: 'roof' | 'shaded' | 'panel' | 'neighbour' | 'tree'
}

/** The house from above as a designer knows it: roof planes with light from the north-west, modules, trees. */
export function roofPicture(
  house: Objects,
  roofs: ReadonlyMap<string, Roof>,
  panels: readonly { readonly corners: readonly Vec3[] }[],
): PicturePart[] {
  const parts: { points: Vec2[]; tone: PicturePart['tone'] }[] = []
  const frame: Vec2[] = []
  for (const volume of ofKind(house, 'volume')) {
    const roof = roofs.get(volume.id)
    if (volume.role === 'house') frame.push(...volume.outline)
    for (const plane of roof?.planes ?? []) {
      const lit = -plane.normal[0] + plane.normal[1] > 0
      parts.push({
        points: plane.corners.map((c): Vec2 => [c[0], c[1]]),
        tone: volume.role === 'neighbour' ? 'neighbour' : lit ? 'roof' : 'shaded',
      })
    }
  }
  for (const panel of panels)
    parts.push({ points: panel.corners.map((c): Vec2 => [c[0], c[1]]), tone: 'panel' })
  for (const tree of ofKind(house, 'tree')) {
    const r = tree.crownDiameterM / 2
    parts.push({
      points: Array.from({ length: 14 }, (_, k): Vec2 => {
        const a = (2 * Math.PI * k) / 14
        return [tree.center[0] + r * Math.cos(a), tree.center[1] + r * Math.sin(a)]
      }),
      tone: 'tree',
    })
  }
  if (frame.length === 0) return []
  const xs = frame.map((p) => p[0])
  const ys = frame.map((p) => p[1])
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const scale = 76 / Math.max(x1 - x0, y1 - y0)
  const place = (p: Vec2): [number, number] => [
    Math.round((50 + (p[0] - (x0 + x1) / 2) * scale) * 10) / 10,
    Math.round((50 - (p[1] - (y0 + y1) / 2) * scale) * 10) / 10,
  ]
  return parts.map(({ points, tone }) => ({ points: points.map(place), tone }))
}
