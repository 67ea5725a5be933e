import { z } from 'zod'
import { versionOf } from '@/core/graph/version'
import { lineIds } from '@/core/model/ledger'
import { type Unit } from '@/core/model/said'
import { type KeptLine } from '@/core/readers/kept-line'
import { accounts } from '@/core/stages/accounts/index'
import { type World } from '@/core/stages/world'
import { maybeOne } from '../database'

/** Which stages computed the lines, and gave them their names and units. */
export const linesVersion = versionOf<World>(accounts)

const lineSchema = z.object({
  id: z.enum(lineIds),
  group: z.enum(['sun', 'use', 'money']),
  value: z.number().nullable(),
  shown: z.number().nullable(),
  // Written by this very version.
  unit: z.custom<Unit>((unit) => typeof unit === 'string'),
  absent: z.literal('to-come').exactOptional(),
  weight: z.enum(['line', 'loss', 'total']),
  better: z.enum(['more', 'less']),
})

const rowSchema = z.object({
  last_lines: z.preprocess(
    (value): unknown => (typeof value === 'string' ? JSON.parse(value) : value),
    // What another version of the application wrote may look different: it is not shown.
    z
      .object({ version: z.literal(linesVersion), lines: z.array(lineSchema) })
      .nullable()
      .catch(null),
  ),
})

/** As `job.last_lines` holds them. */
export const storedLines = (lines: readonly KeptLine[]) => JSON.stringify({ version: linesVersion, lines })

/**
 * The ledger of a job's first option as it was last computed, be it for a revision before; null where this version of
 * the application computed none.
 */
export async function maybeLastLines(jobId: string): Promise<readonly KeptLine[] | null> {
  const row = await maybeOne('last lines', 'SELECT last_lines FROM job WHERE id = ?', [jobId])
  return (row && rowSchema.parse(row).last_lines?.lines) ?? null
}
