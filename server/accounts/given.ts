import { z } from 'zod'
import { guestRoles, roles } from '@/core/model/roles'

/** What is typed about accounts, as routes take it. */

const mailSchema = z.email().max(254)
/** Its length is judged by `checkPassword`, in words; this keeps out what is none. */
const passwordSchema = z.string().max(2000)
/** Of the second factor, or a spare one. */
const codeSchema = z.string().trim().max(20)
export const nameSchema = z.string().trim().min(1).max(80)

export const signInSchema = z.strictObject({ mail: mailSchema, password: passwordSchema, code: codeSchema })
export const forgottenSchema = z.strictObject({ mail: mailSchema })
export const newPasswordSchema = z.strictObject({ password: passwordSchema })
export const joinSchema = z.strictObject({
  name: nameSchema,
  mail: mailSchema.optional(),
  password: passwordSchema,
})
export const inviteSchema = z.strictObject({ mail: mailSchema, role: z.enum(roles) })
export const roleSchema = z.strictObject({ role: z.enum(roles) })
export const renameSchema = z.strictObject({ name: nameSchema })
export const changePasswordSchema = z.strictObject({ password: passwordSchema, next: passwordSchema })
export const codeOnSchema = z.strictObject({
  password: passwordSchema,
  key: z.string().regex(/^[A-Z2-7]{32}$/),
  code: codeSchema.min(1),
})
/** One sign-in by its id, or null for all the others. */
export const endSignInsSchema = z.strictObject({ id: z.uuid().nullable() })

/** Days that a link to a job holds; null until it is withdrawn. An empty password is none. */
export const linkSchema = z.strictObject({
  name: nameSchema,
  role: z.enum(guestRoles),
  days: z.number().int().min(1).max(366).nullable(),
  password: passwordSchema,
})
