import { z } from 'zod'
import { type DeepReadonly } from '../../model/object-base'
import { ruleMessage } from '../../model/rules'

const price = z.number().min(-100).max(1000)
const amount = z.number().min(0).max(1e6)
const month = z.number().int().min(1).max(12)
const hour = z.number().int().min(0).max(24)
const text = z.string().max(120)
const day = /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/
const monthDay = z.string().regex(day, ruleMessage('month-day'))
const date = z.string().regex(/^(\d{4}-)?(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, ruleMessage('holiday'))

/** A price for each hour of each month, weekdays and weekends. */
const board = z.array(z.array(price).length(24)).length(12)

const step = z.strictObject({ upToKwh: amount.nullable(), addPerKwh: price })
const rise = (steps: readonly z.infer<typeof step>[]): boolean =>
  steps.every(({ upToKwh }, i) =>
    i === steps.length - 1
      ? upToKwh === null
      : upToKwh !== null && upToKwh > (i > 0 ? (steps[i - 1]?.upToKwh ?? Infinity) : 0),
  )

/** What stands for a field that is left out; where nothing may be, the schema itself takes the place of this one. */
type OrElse = <S extends z.ZodType>(schema: S, value: z.output<S> & {}) => z.ZodDefault<S>

/** @param orElse what is taken for a field that is not there, where it may be left out */
function fieldsWith(orElse: OrElse) {
  const name = orElse(text, '')
  const months = orElse(z.array(month).max(12), [])

  /** Hours that a price or a charge holds in: all that it names must match; what it leaves out matches always. */
  const when = {
    /** 1 to 12; none means every month. */
    months,
    /** First and last day, both within; over New Year where the first comes later. */
    dates: z.strictObject({ from: monthDay, to: monthDay }).exactOptional(),
    /** Holidays count as weekends. */
    days: orElse(z.enum(['all', 'weekday', 'weekend']), 'all'),
    /** Whole hours of the local clock, `from` within and `to` not; over midnight where `from` is later. */
    fromHour: orElse(hour, 0),
    toHour: orElse(hour, 24),
  }

  const exports = z.discriminatedUnion('kind', [
    /** Each kWh is paid at its own price, in the hour it goes out. */
    z.strictObject({
      kind: z.literal('net-billing'),
      perKwh: price.exactOptional(),
      board: z.strictObject({ weekday: board, weekend: board }).exactOptional(),
      /** One price an interval of the year. */
      intervals: z
        .array(price)
        .max(366 * 96)
        .exactOptional(),
      capKwhPerYear: amount.exactOptional(),
    }),
    /** Goes off what is bought at the same price; what is left over is settled by the month or the year. */
    z.strictObject({
      kind: z.literal('net-metering'),
      settle: z.enum(['month', 'year']),
      /** The month whose bill settles the year. */
      settleMonth: orElse(month, 12),
      /** What is left over is paid at this. */
      surplusPerKwh: orElse(price, 0),
    }),
    /** All that goes out, or in gross metering all that is made, is paid at one price. */
    z.strictObject({ kind: z.literal('feed-in'), perKwh: price, capKwhPerYear: amount.exactOptional() }),
    z.strictObject({ kind: z.literal('none') }),
  ])

  return {
    name,
    utility: name,
    fixedPerMonth: orElse(amount, 0),
    fixedPerDay: orElse(amount, 0),
    /** Where no period matches; the first that matches gives the price. */
    pricePerKwh: price,
    periods: orElse(
      z
        .array(z.strictObject({ name, ...when, pricePerKwh: price, exportPerKwh: price.exactOptional() }))
        .max(100),
      [],
    ),
    holidays: orElse(z.array(date).max(100), []),
    /** On top of the price: each step up to its allowance, the last one without end. */
    tiers: orElse(
      z
        .strictObject({
          /** Allowances by day count for all days of a month. */
          per: z.enum(['day', 'month']),
          months,
          steps: z.array(step).min(1).max(12).refine(rise, ruleMessage('tiers-rise')),
        })
        .nullable(),
      // Null is what it is without tiers, and a default all the same.
      null as never,
    ),
    /** The greatest power in its hours, each month. */
    demand: orElse(
      z
        .array(
          z.strictObject({
            name,
            ...when,
            perKw: amount,
            /** Over which power is averaged; no shorter than the data are. */
            minutes: orElse(z.literal([15, 30, 60]), 15),
            /** No less than this share of the greatest of the other months. */
            ratchet: orElse(z.number().min(0).max(1), 0),
          }),
        )
        .max(12),
      [],
    ),
    /** On every kWh bought, beside its price: exports never go off it. */
    nonBypassablePerKwh: orElse(price, 0),
    exportPerKwh: orElse(price, 0),
    exports: orElse(exports, { kind: 'net-billing' }),
    /** The bill before credits and taxes is no less. */
    minimumPerMonth: orElse(amount, 0),
    /** Off the bill, in the months named. */
    credits: orElse(z.array(z.strictObject({ name, months, amount })).max(24), []),
    /** On all that is owed, one not on another. */
    taxes: orElse(z.array(z.strictObject({ name, share: z.number().min(0).max(2) })).max(12), []),
    /** From a year on all prices and charges are as many times what is stated. */
    priceSteps: orElse(
      z
        .array(
          z.strictObject({ year: z.number().int().min(1900).max(2200), factor: z.number().min(0).max(100) }),
        )
        .max(60),
      [],
    ),
  }
}

/**
 * A tariff in all its forms, as a file states it: what is usual may be left out. Prices in money per kWh;
 * `fixedPerMonth`, `pricePerKwh`, `periods` and `exportPerKwh` are those that most tariffs come down to.
 */
export const tariffFormSchema = z.object(fieldsWith((schema, value) => schema.default(value as never)))

/** The fields of a tariff in a job, where nothing is left out. */
export const wholeTariff = fieldsWith((schema) => schema as never)

export type TariffForm = DeepReadonly<z.infer<typeof tariffFormSchema>>
