import { z } from 'zod'
import { inputPlace } from '../electrical/side-by-side'
import { siteId } from '../kinds/site/site'
import { theOne } from '../kinds/documents'
import { acPowerOf } from '../parts/parts-list'
import { type PaperFacts } from '../readers/papered'
import { panelsOf } from '../site/site'

const count = z.number().int().nonnegative().max(100_000)
const name = z.string().max(200)

/** A system as a monitoring service is told of it: what it is made of, and what each month is expected to bring. */
export const monitoredSchema = z.strictObject({
  name,
  latitudeDeg: z.number().min(-90).max(90),
  longitudeDeg: z.number().min(-180).max(180),
  /** IANA zone. */
  timeZone: z.string().max(80),
  powerW: z.number().nonnegative(),
  arrays: z
    .array(z.strictObject({ name, modules: count, tiltDeg: z.number(), azimuthDeg: z.number() }))
    .max(1000),
  module: z.strictObject({ name, powerW: z.number().positive() }),
  /** Several count as one of all their power. */
  inverter: z.strictObject({ name, acPowerW: z.number().positive() }),
  battery: z.strictObject({ name, count, usableKwh: z.number().positive() }).nullable(),
  /** Inverters and their inputs count from 1. */
  strings: z.array(z.strictObject({ id: name, inverter: count, input: count, modules: count })).max(1000),
  /** Of a typical year, January first. */
  expectedKwh: z.array(z.number().nonnegative()).length(12),
})
export type Monitored = z.infer<typeof monitoredSchema>

/** @param expectedKwh of a typical year by month, January first @param nameOf what an array is called */
export function monitoredOf(
  { house, built }: Pick<PaperFacts, 'house' | 'built'>,
  expectedKwh: readonly number[],
  nameOf: (id: string) => string,
): Monitored {
  const { address, latitudeDeg, longitudeDeg, timeZone } = theOne(house, 'site', siteId)
  const { site, module, inverter, battery, strings } = built
  const beside = { inverters: inverter.micro ? 1 : built.inverters, mppInputs: inverter.mppInputs }
  return {
    name: address,
    latitudeDeg,
    longitudeDeg,
    timeZone,
    powerW: panelsOf(site).length * module.powerW,
    arrays: site.faces.flatMap(({ id, panels, plane }) =>
      panels.length === 0
        ? []
        : [
            {
              name: nameOf(id),
              modules: panels.length,
              tiltDeg: plane.pitchDeg,
              azimuthDeg: plane.azimuthDeg,
            },
          ],
    ),
    module: { name: module.name, powerW: module.powerW },
    inverter: { name: inverter.name, acPowerW: acPowerOf(built) },
    battery: battery && {
      name: battery.type.name,
      count: battery.count,
      usableKwh: battery.count * battery.type.usableKwh,
    },
    // What hangs on no input reports nothing.
    strings: strings.flatMap(({ id, input, panelIds }) =>
      input < 0
        ? []
        : [
            {
              id,
              ...inputPlace(input, beside),
              modules: panelIds.length,
            },
          ],
    ),
    expectedKwh: expectedKwh.map((kwh) => Math.max(0, kwh)),
  }
}
