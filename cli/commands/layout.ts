import { type Command } from 'commander'
import { z } from 'zod'
import { signedArea } from '@/core/geometry/polygon'
import { cross3, dot3, length3, scale3, sub3, type Vec3 } from '@/core/geometry/vector'
import { fieldOf, layOnPlane } from '@/core/layout/lay'
import { patterns } from '@/core/layout/patterns'
import { frameOf } from '@/core/layout/plane-frame'
import { usableAreaM2 } from '@/core/layout/kept-free'
import { addCaseCommand, type Question } from '../case-command'
import { badCase } from '../english'

const point3 = z.tuple([z.number(), z.number(), z.number()])
const point2 = z.tuple([z.number(), z.number()])
const metres = z.number().min(0).max(1000)

const schema = z.object({
  plane: z.object({ corners: z.array(point3).min(3).max(200) }),
  setbacksM: z.array(metres),
  obstructions: z.array(z.object({ base: z.array(point2).min(3), clearanceM: metres })).optional(),
  module: z.object({ widthM: z.number().min(0.1).max(10), lengthM: z.number().min(0.1).max(10) }),
  gapM: metres,
  orientation: z.enum(['portrait', 'landscape', 'best']),
  pattern: z.enum(patterns).default('fullest'),
})

/** How far a corner may lie off the plane of the others. */
const mostOffM = 0.02

/** Upward unit normal of a flat polygon in space, three corners and more. @throws Fault `bad-case` */
function normalOf(corners: readonly Vec3[]): Vec3 {
  const [a, b, ...others] = corners as [Vec3, Vec3, ...Vec3[]]
  let normal: Vec3 = [0, 0, 0]
  for (const c of others) if (length3(normal) < 1e-9) normal = cross3(sub3(b, a), sub3(c, a))
  const length = length3(normal)
  if (length < 1e-9) throw badCase('plane.corners', 'corners-in-line')
  const unit = scale3(normal, Math.sign(normal[2]) / length || 1 / length)
  const off = corners.findIndex((c) => Math.abs(dot3(unit, sub3(c, a))) > mostOffM)
  if (off >= 0)
    throw badCase(`plane.corners.${off}`, 'corner-off-plane', {
      limit: { value: mostOffM, unit: 'm', digits: 2 },
    })
  if (Math.abs(unit[2]) < 1e-6) throw badCase('plane.corners', 'upright-plane')
  return unit
}

function answer(given: z.infer<typeof schema>): object {
  const { corners } = given.plane
  if (given.setbacksM.length !== corners.length)
    throw badCase('setbacksM', 'setback-each', { sides: corners.length, given: given.setbacksM.length })
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
  return {
    count: slots.length,
    panels: slots.map(({ corners: c, orientation }) => ({ corners: c, orientation })),
    usableAreaM2: usableAreaM2(fieldOf(request, frameOf(plane))),
  }
}

const question: Question<z.infer<typeof schema>> = { schema, answer }

export function addLayout(gable: Command): void {
  addCaseCommand(gable.command('layout').description('Modules on a plane'), question)
}
