import { z } from 'zod'
import { type Data } from '@/core/model/said'
import { type WeatherRow } from '../sql/weather'

/** Long work by its name: what it is told, what comes out of it, and how it is queued. */

/** What is told of each task, and what comes out of it beside bytes. */
interface Tasks {
  /** The list's figures of a job as it is now. */
  readonly figures: { readonly input: TeamInput & { readonly jobId: string }; readonly outcome: null }
  /** An offer, computed and kept; out comes its path, sealed. */
  readonly offer: {
    readonly input: TeamInput & {
      readonly designerId: string
      readonly jobId: string
      readonly optionId: string
    }
    readonly outcome: { readonly sealedPath: string }
  }
  /** An offer's page, printed. */
  readonly pdf: { readonly input: { readonly sealedToken: string }; readonly outcome: null }
  /** A job's own file, stored as a new job. */
  readonly job: { readonly input: TeamInput; readonly outcome: { readonly id: string } }
  /** A weather file, stored for a team. */
  readonly weather: { readonly input: TeamInput; readonly outcome: WeatherRow }
}

interface TeamInput {
  readonly teamId: string
}

export type TaskName = keyof Tasks
export type InputOf<T extends TaskName> = Tasks[T]['input']
export type OutcomeOf<T extends TaskName> = Tasks[T]['outcome']

interface Task<T extends TaskName> {
  readonly input: z.ZodType<InputOf<T>>
  readonly outcome: z.ZodType<OutcomeOf<T>>
  /** Who does it: a thread that computes, or the browser that prints. */
  readonly lane: 'compute' | 'print'
  /** The least goes first. */
  readonly urgency: number
  /** Work of this kind that may wait or run; whoever asks for one more is told to come back later. */
  readonly most: number
  readonly busy: 'server-busy' | 'pdf-busy'
  /** Longest that somebody waits for it. */
  readonly waitMs: number
  /** Whether nobody waits for it: then what may be otherwise the next time is tried again, and not said at once. */
  readonly isUnhurried: boolean
}

const waited = { lane: 'compute', urgency: 1, busy: 'server-busy', isUnhurried: false } as const

export const tasks: { readonly [T in TaskName]: Task<T> } = {
  figures: {
    ...waited,
    input: z.object({ teamId: z.string(), jobId: z.string() }),
    outcome: z.null(),
    urgency: 5,
    most: Infinity,
    waitMs: 0,
    isUnhurried: true,
  },
  offer: {
    ...waited,
    input: z.object({
      teamId: z.string(),
      designerId: z.string(),
      jobId: z.string(),
      optionId: z.string(),
    }),
    outcome: z.object({ sealedPath: z.string() }),
    most: 60,
    waitMs: 150_000,
  },
  pdf: {
    ...waited,
    lane: 'print',
    input: z.object({ sealedToken: z.string() }),
    outcome: z.null(),
    most: 30,
    busy: 'pdf-busy',
    waitMs: 90_000,
  },
  job: {
    ...waited,
    input: z.object({ teamId: z.string() }),
    outcome: z.object({ id: z.string() }),
    most: 60,
    waitMs: 90_000,
  },
  weather: {
    ...waited,
    input: z.object({ teamId: z.string() }),
    outcome: z.object({
      id: z.string(),
      name: z.string(),
      latitudeDeg: z.number(),
      longitudeDeg: z.number(),
      elevationM: z.number(),
    }),
    most: 60,
    waitMs: 90_000,
  },
}

export const isTask = (name: string): name is TaskName => Object.hasOwn(tasks, name)

/** What the table keeps of work that came to no good: what was wrong with what it was given, or why it was set aside. */
export const faultSchema = z.object({
  code: z.string(),
  data: z.custom<Data>((value) => typeof value === 'object' && value !== null),
  path: z.string(),
})
export const asideSchema = z.object({ reason: z.enum(['failed', 'lost']) })

/** Codes of faults that may be otherwise the next time. */
export const passing: ReadonlySet<string> = new Set([
  'service-away',
  'service-refused',
  'server-busy',
  'given-up',
])

/** The code of what stands against work; `unexpected` for what was set aside, nothing for what stands well. */
export function codeOfEnd({
  state,
  outcome,
}: {
  readonly state: string
  readonly outcome: unknown
}): string | undefined {
  if (state === 'aside') return 'unexpected'
  return state === 'fault' ? faultSchema.parse(outcome).code : undefined
}
