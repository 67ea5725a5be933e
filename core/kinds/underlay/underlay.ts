import { z } from 'zod'
import { longestLayerName } from '../../imports/line-drawing'
import {
  fileIdSchema,
  idSchema,
  lockedSchema,
  nameSchema,
  point2Schema,
  shareSchema,
  type DeepReadonly,
} from '../../model/object-base'
import { between, wholeBetween } from '../../model/rules'

/** A unit of a sheet is at least and at most so long, m: a hundredth of a millimetre, ten kilometres. */
export const shortestUnitM = 1e-5
export const longestUnitM = 10_000

/** Layers that can be left out of one drawing. */
export const mostHiddenLayers = 500

/** When a picture was taken, by the leaves on it. */
export const seasons = ['unknown', 'in-leaf', 'bare'] as const
export type Season = (typeof seasons)[number]

/** A picture or a drawing of one's own that lies on the ground under the model, to be traced and compared. */
export const underlaySchema = z.strictObject({
  id: idSchema,
  kind: z.literal('underlay'),
  name: nameSchema,
  locked: lockedSchema,
  /** The file that is kept with the team, by its digest. */
  fileId: fileIdSchema,
  content: z.enum(['picture', 'drawing']),
  /** Its size in its own units: pixels of a picture, whatever a drawing is drawn in. */
  width: between(1e-6, 1e9),
  height: between(1e-6, 1e9),
  /** How long one of its units is. */
  metresPerUnit: between(shortestUnitM, longestUnitM, 'm'),
  /** Where its middle lies. */
  center: point2Schema,
  /** Turn of its width's direction, counter-clockwise from east. */
  rotationDeg: between(-360, 360, 'deg'),
  /** How strongly it shows. */
  strength: shareSchema,
  /** Which lies on which: the higher on the lower. */
  order: wholeBetween(0, 99),
  season: z.enum(seasons),
  /** Layers of a drawing that are neither shown nor held on to. */
  hiddenLayers: z.array(z.string().max(longestLayerName)).max(mostHiddenLayers),
})
export type Underlay = DeepReadonly<z.infer<typeof underlaySchema>>

export const underlayVersion = 1
export const underlayMigrations = []
