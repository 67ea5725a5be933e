import { NextResponse, type NextRequest } from 'next/server'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { nameSchema } from '@/core/model/object-kind'
import { createJob, loadJob } from '@/server/jobs'
import { asDesigner, readBody } from '@/server/respond'
import { findAddresses } from '@/town/geocoder'
import { newJob } from '@/town/job-defaults'

const bodySchema = z.union([
  z.strictObject({ address: z.string().min(1, 'type an address').max(200), name: nameSchema.optional() }),
  z.strictObject({ copyOf: z.uuid() }),
])

/** A new job at an address, or a copy of one. */
export const POST = (request: NextRequest) =>
  asDesigner(request, async (who) => {
    const body = await readBody(request, bodySchema)
    if ('copyOf' in body) {
      const { job } = await loadJob(who.teamId, body.copyOf)
      return NextResponse.json(
        { id: await createJob(who.teamId, { ...job, name: `${job.name}, copy`.slice(0, 80) }) },
        { status: 201 },
      )
    }
    const matches = findAddresses(body.address, 3)
    const exact = matches.filter(({ label }) => label.toLowerCase() === body.address.trim().toLowerCase())
    const [found, other] = exact.length === 1 ? exact : matches
    if (!found)
      throw new Fault(
        'unknown-address',
        `“${body.address}” is not an address of Pellworth, Tarrowee or Valdecorva. Type a street and a number, and pick from the list.`,
        'address',
      )
    if (other)
      throw new Fault(
        'ambiguous-address',
        `“${body.address}” is the beginning of several addresses, such as ${found.label} and ${other.label}. Pick one from the list.`,
        'address',
      )
    const street = found.label.split(',')[0] ?? found.label
    return NextResponse.json(
      { id: await createJob(who.teamId, newJob(found.town, body.name ?? street, found.label, found)) },
      { status: 201 },
    )
  })
