import { z } from 'zod'
import { idSchema, nameSchema, type DeepReadonly } from '../../model/object-base'
import { dayCount, daySchema } from '../../model/day'
import { yearHours } from '../../model/model-year'
import { between, ruleMessage, wholeBetween } from '../../model/rules'

export const loadId = 'load'

/** Archetype days, and last the customer's own meter. */
export const loadShapes = ['evening', 'at-home', 'all-electric', 'night-car', 'meter'] as const
export type LoadShape = (typeof loadShapes)[number]

/** Two bytes each, in base 64. */
const encoded = (4 * Math.ceil((2 * yearHours) / 3)) as 23360

/** What a meter has told of a year, hour after hour. */
const meterSchema = z.strictObject({
  /** Of the file. */
  name: nameSchema,
  /** First day that it has, as it was read. */
  from: z.string().regex(/^\d{4}-\d\d-\d\d$/, ruleMessage('date')),
  days: wholeBetween(1, 40_000),
  stepMinutes: wholeBetween(1, 60),
  /** Share of its intervals that had no value and were filled in. */
  filledShare: between(0, 1),
  /** What one stands for in the hours. */
  unitWh: wholeBetween(1, 1_000_000),
  /** A whole number for each hour of the model year in standard time: 16 bits, low byte first, in base 64. */
  hours: z
    .string()
    .length(encoded, ruleMessage('meter-hours'))
    .regex(/^[A-Za-z0-9+/]*={0,2}$/, ruleMessage('meter-hours')),
})
export type MeterYear = DeepReadonly<z.infer<typeof meterSchema>>

/** When a car is charged. */
export const carChargings = ['at-once', 'cheapest', 'on-surplus'] as const

const hour = wholeBetween(0, 24)
const added = {
  id: idSchema,
  name: nameSchema,
  kwhPerYear: between(0, 200_000, 'kWh'),
  /** Whether it counts now. */
  on: z.boolean(),
}

/** What will come beside today's consumption. */
const addedSchema = z.discriminatedUnion('what', [
  z.strictObject({
    what: z.literal('car'),
    ...added,
    chargerKw: between(0.5, 50, 'kW'),
    /** Hours of the local clock that it stands at home, over midnight where `from` is later. */
    fromHour: hour,
    toHour: hour,
    /** As soon as it is plugged in, in the cheapest hours that it is there, or with what the roof has left. */
    charging: z.enum(carChargings),
  }),
  /** Follows the cold under a temperature, or the heat over one. */
  z.strictObject({ what: z.literal('heating'), ...added, baseC: between(-20, 40, '°C') }),
  z.strictObject({ what: z.literal('cooling'), ...added, baseC: between(-20, 40, '°C') }),
  /** The same power in some hours of some months: a pool pump, somebody at home; below zero for what will go. */
  z.strictObject({
    what: z.literal('hours'),
    ...added,
    kwhPerYear: between(-200_000, 200_000, 'kWh'),
    fromHour: hour,
    toHour: hour,
    /** 1 to 12; none means every month. */
    months: z.array(wholeBetween(1, 12)).max(12),
  }),
])
export type AddedLoad = DeepReadonly<z.infer<typeof addedSchema>>

/** As many as a house has. */
export const mostAdded = 20

const mostDays = 400
/** As many bills as a job holds: five years of months. */
export const mostBills = 60

/** What the utility billed for some days: the first and the last of them, both within. */
const billedSchema = z
  .strictObject({
    from: daySchema,
    to: daySchema,
    /** Null until it is typed: a bill without it says nothing of the year. */
    kwh: between(0, 100_000, 'kWh').nullable(),
    /** All that was asked for, taxes too; null where nobody has typed it. */
    money: between(-100_000, 1_000_000, 'money').nullable(),
  })
  .refine(({ from, to }) => dayCount(to) >= dayCount(from), {
    path: ['to'],
    error: ruleMessage('bill-backwards'),
  })
  .refine(({ from, to }) => dayCount(to) - dayCount(from) < mostDays, {
    path: ['to'],
    error: ruleMessage('bill-long', { limit: mostDays }),
  })
export type CustomerBill = DeepReadonly<z.infer<typeof billedSchema>>

/** What the customer uses. One to a house document. */
export const loadSchema = z.strictObject({
  id: z.literal(loadId),
  kind: z.literal('load'),
  /** Of today, without what will come. */
  annualKwh: between(0, 500_000, 'kWh'),
  /** The archetype day that the year's total is spread over; or the meter's own hours. */
  shape: z.enum(loadShapes),
  /** Proportions of the twelve months, January first; null for those of the shape. */
  byMonth: z
    .array(between(0, 100_000, 'kWh'))
    .length(12)
    .nullable(),
  meter: meterSchema.nullable(),
  added: z.array(addedSchema).max(mostAdded),
  /** The customer's own, as they lie on the table. */
  bills: z.array(billedSchema).max(mostBills),
})
export type Load = DeepReadonly<z.infer<typeof loadSchema>>

export const loadVersion = 4
export const loadMigrations = [
  (value: Record<string, unknown>) => ({ ...value, byMonth: null, meter: null, added: [] }),
  (value: Record<string, unknown>) => ({ ...value, bills: [] }),
  // Cars may wait for the sun.
  (value: Record<string, unknown>) => value,
]

export const defaultLoad: Load = {
  id: loadId,
  kind: 'load',
  annualKwh: 9000,
  shape: 'evening',
  byMonth: null,
  meter: null,
  added: [],
  bills: [],
}

/** What a year comes to, with what will come. */
export const consumptionOf = ({ annualKwh, added }: Pick<Load, 'annualKwh' | 'added'>): number =>
  added.reduce((sum, { on, kwhPerYear }) => sum + (on ? kwhPerYear : 0), annualKwh)
