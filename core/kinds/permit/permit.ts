import { z } from 'zod'
import { daySchema } from '../../model/day'
import { idSchema, nameSchema, type DeepReadonly } from '../../model/object-base'
import { ruleMessage } from '../../model/rules'

export const permitStates = ['to-apply', 'applied', 'granted', 'refused'] as const
export type PermitState = (typeof permitStates)[number]

/** What an authority or the grid's operator has to allow. */
export const permitSchema = z
  .strictObject({
    id: idSchema,
    kind: z.literal('permit'),
    name: nameSchema,
    authority: z.string().max(120),
    /** As the authority files it. */
    number: z.string().max(60),
    state: z.enum(permitStates),
    appliedOn: daySchema.nullable(),
    decidedOn: daySchema.nullable(),
    /** The last day on which it may be built. */
    validUntil: daySchema.nullable(),
    notes: z.string().max(4000),
  })
  .refine(({ appliedOn, decidedOn }) => !appliedOn || !decidedOn || decidedOn >= appliedOn, {
    path: ['decidedOn'],
    message: ruleMessage('decided-later'),
  })
export type Permit = DeepReadonly<z.infer<typeof permitSchema>>

export const permitVersion = 1
export const permitMigrations = []
