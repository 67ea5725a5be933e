import { z } from 'zod'
import { nameSchema, type DeepReadonly } from '../../model/object-base'
import { between, wholeBetween } from '../../model/rules'

export const tariffNowId = 'tariff-now'
export const tariffThenId = 'tariff-then'

const price = between(-5, 50, 'money/kWh')

/** A price that holds in some hours: the first period whose months, days and hours match gives the price. */
const periodSchema = z.strictObject({
  name: nameSchema,
  /** 1..12; empty means every month. */
  months: z.array(wholeBetween(1, 12)).max(12),
  days: z.enum(['all', 'weekday', 'weekend']),
  /** Whole hours of the local clock [from, to); from > to runs over midnight; 0 to 24 is the whole day. */
  fromHour: wholeBetween(0, 24),
  toHour: wholeBetween(0, 24),
  /** Currency per kWh. */
  pricePerKwh: price,
})
export type TariffPeriod = DeepReadonly<z.infer<typeof periodSchema>>

/** How energy is paid for, now or after. Two to a house document. */
export const tariffSchema = z.strictObject({
  id: z.enum([tariffNowId, tariffThenId]),
  kind: z.literal('tariff'),
  name: nameSchema,
  utility: z.string().max(80),
  fixedPerMonth: between(0, 10_000, 'money'),
  /** Price where no period matches; the whole price of a flat tariff. */
  pricePerKwh: price,
  periods: z.array(periodSchema).max(24),
  /** What is paid for a kWh that goes out. */
  exportPerKwh: price,
})
export type Tariff = DeepReadonly<z.infer<typeof tariffSchema>>

export const tariffVersion = 1
export const tariffMigrations = []

export const defaultTariff: Tariff = {
  id: tariffNowId,
  kind: 'tariff',
  name: 'Flat',
  utility: '',
  fixedPerMonth: 10,
  pricePerKwh: 0.25,
  periods: [],
  exportPerKwh: 0.08,
}
