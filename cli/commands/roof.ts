import { type Command } from 'commander'
import { z } from 'zod'
import { between } from '@/core/model/rules'
import { buildRoof } from '@/core/roof/roof'
import { addCaseCommand, type Question } from '../case-command'

/** Metres from the origin that an outline may reach: farther off, millimetres are lost in the numbers. */
const farthestM = 1_000_000
const mostCorners = 400
const mostHoles = 20
const coordinate = between(-farthestM, farthestM, 'm')
const point = z.tuple([coordinate, coordinate])

const schema = z.object({
  outline: z.array(point).min(3).max(mostCorners),
  /** Courtyards, clockwise; their sides follow the outline's. */
  holes: z.array(z.array(point).min(3).max(mostCorners)).max(mostHoles).exactOptional(),
  eaveHeightM: z.number().min(0).max(200),
  edges: z.array(
    z.union([
      z.strictObject({ pitchDeg: z.number().gt(0).lt(90) }),
      z.strictObject({ gable: z.literal(true) }),
    ]),
  ),
})

const question: Question<z.infer<typeof schema>> = {
  schema,
  answer: (given) => {
    const { planes, ridgeHeightM } = buildRoof(given)
    return {
      planes: planes.map(({ id, corners, holes, pitchDeg, azimuthDeg, areaM2, edges }) => ({
        id,
        corners,
        ...(holes ? { holes } : {}),
        pitchDeg,
        azimuthDeg,
        areaM2,
        edges,
      })),
      ridgeHeightM,
    }
  },
}

export function addRoof(gable: Command): void {
  addCaseCommand(gable.command('roof').description('Planes of the roof over an outline'), question)
}
