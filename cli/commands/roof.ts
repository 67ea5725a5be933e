import { type Command } from 'commander'
import { z } from 'zod'
import { buildRoof } from '@/core/roof/roof'
import { print, readCase } from '../files'

const point = z.tuple([z.number(), z.number()])

const caseSchema = z.object({
  outline: z.array(point).min(3, 'at least three corners').max(200),
  eaveHeightM: z.number().min(0).max(200),
  edges: z.array(
    z.union([
      z.strictObject({ pitchDeg: z.number().gt(0).lt(90) }),
      z.strictObject({ gable: z.literal(true) }),
    ]),
  ),
})

export function addRoof(gable: Command): void {
  gable
    .command('roof')
    .description('Planes of the roof over an outline')
    .option('--in <file>', 'the case as JSON; standard input when not given')
    .action((options: { in?: string }) => {
      const { planes, ridgeHeightM } = buildRoof(readCase(options, caseSchema))
      print({
        planes: planes.map(({ id, corners, pitchDeg, azimuthDeg, areaM2, edges }) => ({
          id,
          corners,
          pitchDeg,
          azimuthDeg,
          areaM2,
          edges,
        })),
        ridgeHeightM,
      })
    })
}
