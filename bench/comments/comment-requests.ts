import { z } from 'zod'
import { answered, send } from '../requests'

const commentSchema = z.object({
  id: z.string(),
  about: z.string(),
  answers: z.string().nullable(),
  text: z.string(),
  by: z.string(),
  at: z.string(),
  mine: z.boolean(),
  resolved: z.object({ by: z.string(), at: z.string() }).nullable(),
})

/** A comment on the job: about an object by its id, a ledger line as `line:` and its id, or the whole job (""). */
export type Comment = z.infer<typeof commentSchema>

const doneSchema = z.object({ ok: z.boolean() })

export const listComments = (jobId: string) =>
  answered(() => fetch(`/api/jobs/${jobId}/comments`), z.object({ comments: z.array(commentSchema) }))

export const sayComment = (jobId: string, comment: Pick<Comment, 'id' | 'about' | 'answers' | 'text'>) =>
  answered(() => send(`/api/jobs/${jobId}/comments`, comment), doneSchema)

export const settleComment = (jobId: string, id: string, resolved: boolean) =>
  answered(() => send(`/api/jobs/${jobId}/comments/${id}`, { resolved }, 'PATCH'), doneSchema)

export const takeBackComment = (jobId: string, id: string) =>
  answered(() => fetch(`/api/jobs/${jobId}/comments/${id}`, { method: 'DELETE' }), doneSchema)
