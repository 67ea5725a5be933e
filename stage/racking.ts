import { type Group } from 'three'
import { type Vec3 } from '@/core/geometry/vector'
import { InkBatch } from './ink'
import { type Paints } from './paints'
import { type Palette } from './palette'
import { footPen, railCasing, railPen } from './pens'
import { disposeShapes } from './shapes'

type Line = readonly [Vec3, Vec3]

/** Borders of rails and of the plates of their feet. */
export interface DrawnRacking {
  readonly rails: readonly Line[]
  readonly feet: readonly Line[]
}

/** Draws rails and feet into a group in place of what was there. */
export function drawRacking(
  group: Group,
  racking: DrawnRacking | null,
  paints: Paints,
  palette: Palette,
): void {
  disposeShapes(group)
  group.clear()
  if (!racking) return
  const ink = new InkBatch()
  for (const [a, b] of racking.rails) ink.line(a, b, railCasing(palette))
  for (const [a, b] of racking.rails) ink.line(a, b, railPen(palette))
  for (const [a, b] of racking.feet) ink.line(a, b, footPen(palette))
  if (ink.count > 0) group.add(ink.mesh(paints.ink()))
}
