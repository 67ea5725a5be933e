/** How far a job has come, in the order in which it does. */
export const jobStatuses = ['lead', 'drawn', 'offered', 'accepted', 'built'] as const
export type JobStatus = (typeof jobStatuses)[number]

/** Whether new jobs start from a job: never, when chosen, or unless another is. */
export const templateUses = ['none', 'choice', 'default'] as const
export type TemplateUse = (typeof templateUses)[number]

/** Longest texts that are noted of a job, in characters, and its most tags; the columns they are kept in are as wide. */
export const longest = { tag: 30, tags: 8, nextStep: 200, notes: 2000 } as const

/** Days that a deleted job can be brought back; a job with an accepted offer always can. */
export const deletedKeptDays = 30

/** Tags parted by commas, trimmed; each once whatever its case, as it was written first. */
export function tagsIn(text: string): string[] {
  const known = new Map<string, string>()
  for (const tag of text.split(',').map((part) => part.trim()))
    if (tag !== '' && !known.has(tag.toLowerCase())) known.set(tag.toLowerCase(), tag)
  return [...known.values()]
}

/** What the team notes of a job beside its design. */
export interface Progress {
  readonly status: JobStatus
  readonly tags: readonly string[]
  readonly notes: string
  readonly ownerId: string | null
  readonly nextStep: string
  /** Day of the next step, `YYYY-MM-DD`. */
  readonly nextOn: string | null
}
