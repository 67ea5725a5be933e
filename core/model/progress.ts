import { z } from 'zod'
import { daySchema } from './day'
import { jobStatuses, longest, tagsIn } from './job-status'
import { ruleMessage } from './rules'

export const jobStatusSchema = z.enum(jobStatuses)

/** What the team notes of a job beside its design; each field may be changed alone. */
export const progressSchema = z.strictObject({
  status: jobStatusSchema.exactOptional(),
  tags: z
    .array(
      z
        .string()
        .max(longest.tag)
        .regex(/^[^,]*$/, ruleMessage('not-as-expected')),
    )
    .transform((tags) => tagsIn(tags.join(',')))
    .pipe(z.array(z.string()).max(longest.tags))
    .exactOptional(),
  notes: z.string().max(longest.notes).exactOptional(),
  /** A designer of the team; null where it is nobody's. */
  ownerId: z.uuid().nullable().exactOptional(),
  nextStep: z.string().trim().max(longest.nextStep).exactOptional(),
  nextOn: daySchema.nullable().exactOptional(),
})
export type ProgressChange = z.infer<typeof progressSchema>
