import { NextResponse } from 'next/server'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { nameSchema } from '@/core/model/object-base'
import { createJob, loadJob } from '@/server/jobs'
import { readBody, route } from '@/server/respond'
import { newJob } from '@/core/kinds/new-job'
import { startedFrom } from '@/core/kinds/started-from'
import { askWorld } from '@/server/world'
import { addressesFor } from '@/services/world'

const bodySchema = z.union([
  z.strictObject({
    address: z.string().min(1).max(200),
    name: nameSchema.optional(),
    /** A job that it starts from; without one it starts from what is usual at the address. */
    templateId: z.uuid().optional(),
  }),
  z.strictObject({ copyOf: z.uuid() }),
])

/** A new job at an address, or a copy of one. */
export const POST = route('POST /api/jobs', async ({ request, who }) => {
  const body = await readBody(request, bodySchema)
  if ('copyOf' in body) {
    const { job } = await loadJob(who.teamId, body.copyOf)
    return NextResponse.json(
      { id: await createJob(who.teamId, { ...job, name: `${job.name}, copy`.slice(0, 80) }) },
      { status: 201 },
    )
  }
  const matches = await addressesFor(askWorld, body.address)
  const exact = matches.filter(({ label }) => label.toLowerCase() === body.address.trim().toLowerCase())
  const [found, other] = exact.length === 1 ? exact : matches
  if (!found) throw new Fault('unknown-address', { address: body.address }, 'address')
  if (other)
    throw new Fault(
      'ambiguous-address',
      { address: body.address, one: found.label, other: other.label },
      'address',
    )
  // Coordinates are a name as a whole, of an address the street is enough.
  const street = /^[-\d.]+, [-\d.]+$/.test(found.label)
    ? found.label
    : (found.label.split(',')[0] ?? found.label)
  const name = body.name ?? street
  const made = body.templateId
    ? startedFrom(name, found, (await loadJob(who.teamId, body.templateId)).job)
    : newJob(name, found)
  return NextResponse.json({ id: await createJob(who.teamId, made) }, { status: 201 })
})
