import { z } from 'zod'
import { type Monitored } from '@/core/exports/monitoring'
import { Fault } from '@/core/model/fault'

const path = 'monitoring'
const registeredSchema = z.object({ id: z.string().min(1).max(80) })

/**
 * Tells a monitoring service of a system: a POST of JSON, answered with 201 and the id it has there.
 * @param base address of the service, without a slash at its end
 * @throws Fault `service-away`, `service-refused`, `service-garbled`
 */
export async function registerSystem(base: string, system: Monitored): Promise<string> {
  const answer = await fetch(`${base}/${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(system),
  }).catch(() => {
    throw new Fault('service-away')
  })
  if (answer.status !== 201) throw new Fault('service-refused', { status: answer.status })
  const read = registeredSchema.safeParse(await answer.json().catch(() => null))
  if (!read.success) throw new Fault('service-garbled', { path })
  return read.data.id
}
