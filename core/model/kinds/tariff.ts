import { z } from 'zod'
import { nameSchema, type ObjectBase, type ObjectKind } from '../object-kind'

/** A price that holds in some hours: the first period whose months, days and hours match gives the price. */
export interface TariffPeriod {
  readonly name: string
  /** 1..12; empty means every month. */
  readonly months: readonly number[]
  readonly days: 'all' | 'weekday' | 'weekend'
  /** Whole hours of the local clock [from, to); from > to runs over midnight; 0 to 24 is the whole day. */
  readonly fromHour: number
  readonly toHour: number
  /** Currency per kWh. */
  readonly pricePerKwh: number
}

/** How energy is paid for, now or after. Two to a house document. */
export interface Tariff extends ObjectBase {
  readonly kind: 'tariff'
  readonly name: string
  readonly utility: string
  readonly fixedPerMonth: number
  /** Price where no period matches; the whole price of a flat tariff. */
  readonly pricePerKwh: number
  readonly periods: readonly TariffPeriod[]
  /** What is paid for a kWh that goes out. */
  readonly exportPerKwh: number
}

export const tariffNowId = 'tariff-now'
export const tariffThenId = 'tariff-then'

const price = z.number().min(-5, 'at least -5').max(50, 'at most 50')

export const tariffKind: ObjectKind<Tariff> = {
  kind: 'tariff',
  document: 'house',
  schema: z.strictObject({
    id: z.enum([tariffNowId, tariffThenId]),
    kind: z.literal('tariff'),
    name: nameSchema,
    utility: z.string().max(80),
    fixedPerMonth: z.number().min(0, 'not below zero').max(10_000),
    pricePerKwh: price,
    periods: z
      .array(
        z.strictObject({
          name: nameSchema,
          months: z.array(z.number().int().min(1).max(12)).max(12),
          days: z.enum(['all', 'weekday', 'weekend']),
          fromHour: z.number().int('a whole hour').min(0).max(24),
          toHour: z.number().int('a whole hour').min(0).max(24),
          pricePerKwh: price,
        }),
      )
      .max(24),
    exportPerKwh: price,
  }),
  version: 1,
  migrations: [],
}

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
