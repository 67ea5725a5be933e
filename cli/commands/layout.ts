import { type Command } from 'commander'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { signedArea } from '@/core/geometry/polygon'
import { cross3, dot3, length3, scale3, sub3, type Vec3 } from '@/core/geometry/vector'
import { fieldOf, layOnPlane } from '@/core/layout/lay'
import { usableAreaM2 } from '@/core/layout/usable-area'
import { frameOf } from '@/core/layout/plane-frame'
import { print, readCase } from '../files'

const point3 = z.tuple([z.number(), z.number(), z.number()])
const point2 = z.tuple([z.number(), z.number()])
const metres = z.number().min(0).max(1000)

const caseSchema = z.object({
  plane: z.object({ corners: z.array(point3).min(3, 'at least three corners').max(200) }),
  setbacksM: z.array(metres),
  obstructions: z.array(z.object({ base: z.array(point2).min(3), clearanceM: metres })).optional(),
  module: z.object({ widthM: z.number().min(0.1).max(10), lengthM: z.number().min(0.1).max(10) }),
  gapM: metres,
  orientation: z.enum(['portrait', 'landscape', 'best']),
})

/** Upward unit normal of a flat polygon in space. */
function normalOf(corners: readonly Vec3[]): Vec3 {
  const [a, b] = corners
  if (!a || !b) throw new Fault('bad-case', 'plane.corners: at least three corners', 'plane.corners')
  let normal: Vec3 = [0, 0, 0]
  for (const c of corners.slice(2)) if (length3(normal) < 1e-9) normal = cross3(sub3(b, a), sub3(c, a))
  const length = length3(normal)
  if (length < 1e-9)
    throw new Fault('bad-case', 'plane.corners: all corners lie in one line', 'plane.corners')
  const unit = scale3(normal, Math.sign(normal[2]) / length || 1 / length)
  const off = corners.findIndex((c) => Math.abs(dot3(unit, sub3(c, a))) > 0.02)
  if (off >= 0)
    throw new Fault(
      'bad-case',
      `plane.corners.${off}: this corner is more than 2 cm off the plane of the others`,
      `plane.corners.${off}`,
    )
  if (Math.abs(unit[2]) < 1e-6)
    throw new Fault('bad-case', 'plane.corners: the plane stands upright', 'plane.corners')
  return unit
}

export function addLayout(gable: Command): void {
  gable
    .command('layout')
    .description('Modules on a plane')
    .option('--in <file>', 'the case as JSON; standard input when not given')
    .action((options: { in?: string }) => {
      const given = readCase(options, caseSchema)
      const { corners } = given.plane
      if (given.setbacksM.length !== corners.length)
        throw new Fault(
          'bad-case',
          `setbacksM: ${corners.length} values were expected, one to a plane edge, but there are ${given.setbacksM.length}`,
          'setbacksM',
        )
      const plane = {
        corners: signedArea(corners.map((c) => [c[0], c[1]] as const)) < 0 ? [...corners].reverse() : corners,
        normal: normalOf(corners),
      }
      // Turned round, edge i becomes the edge before the same pair of corners.
      const setbacksM =
        plane.corners === corners
          ? given.setbacksM
          : corners.map((_, i) => given.setbacksM[(2 * corners.length - 2 - i) % corners.length] ?? 0)
      const request = { ...given, plane, setbacksM, obstructions: given.obstructions ?? [], liftM: 0 }
      const slots = layOnPlane(request)
      print({
        count: slots.length,
        panels: slots.map(({ corners: c, orientation }) => ({ corners: c, orientation })),
        usableAreaM2: usableAreaM2(fieldOf(request, frameOf(plane))),
      })
    })
}
