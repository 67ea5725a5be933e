import { type Command } from 'commander'
import { z } from 'zod'
import { between } from '@/core/model/rules'
import { mergeRoofs } from '@/core/roof/merge'
import { buildOverhung } from '@/core/roof/overhang'
import { addCaseCommand, type Question } from '../case-command'
import { writtenPlane } from '../written-plane'

/** Metres from the origin that an outline may reach: farther off, millimetres are lost in the numbers. */
const farthestM = 1_000_000
const mostCorners = 400
const mostHoles = 20
const mostSteps = 10
const mostVolumes = 30
const widestOverhangM = 5
const coordinate = between(-farthestM, farthestM, 'm')
const highestM = 200
const profileStep = z.tuple([between(0, highestM, 'm'), between(0, 90, 'deg')])
const point = z.tuple([coordinate, coordinate])

const volume = z.object({
  outline: z.array(point).min(3).max(mostCorners),
  /** Courtyards, clockwise; their sides follow the outline's. */
  holes: z.array(z.array(point).min(3).max(mostCorners)).max(mostHoles).exactOptional(),
  eaveHeightM: between(0, highestM, 'm'),
  /** In plan; the planes over the walls go on down. */
  overhangM: between(0, widestOverhangM, 'm').default(0),
  edges: z.array(
    z.union([
      z.strictObject({ pitchDeg: z.number().min(0).lt(90) }),
      z.strictObject({ gable: z.literal(true) }),
      /** Heights over the eave and pitches from there on; 90 is upright. */
      z.strictObject({ profile: z.array(profileStep).max(mostSteps) }),
    ]),
  ),
})

const schema = volume.extend({
  /** Further volumes of the same form; what is seen from above of all is the roof. */
  volumes: z.array(volume).max(mostVolumes).exactOptional(),
})

const question: Question<z.infer<typeof schema>> = {
  schema,
  answer: ({ volumes = [], ...first }) => {
    const roofs = [first, ...volumes].map(({ overhangM, ...building }) => buildOverhung(building, overhangM))
    const ridgeHeightM = Math.max(...roofs.map((roof) => roof.ridgeHeightM))
    const [alone] = roofs
    if (alone && roofs.length === 1) return { planes: alone.planes.map(writtenPlane), ridgeHeightM }
    return {
      planes: mergeRoofs(roofs).map((plane) => ({
        ...writtenPlane({ ...plane, id: plane.volume === 0 ? plane.id : `v${plane.volume}-${plane.id}` }),
        volume: plane.volume,
      })),
      ridgeHeightM,
    }
  },
}

export function addRoof(gable: Command): void {
  addCaseCommand(gable.command('roof').description('Planes of the roof over an outline'), question)
}
