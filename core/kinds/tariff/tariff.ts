import { z } from 'zod'
import { nameSchema, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'
import { tariffFormSchema, wholeTariff } from './form'

export const tariffNowId = 'tariff-now'
export const tariffThenId = 'tariff-then'

const price = between(-5, 50, 'money/kWh')

/** How energy is paid for, now or after: a tariff of any form. Two to a house document. */
export const tariffSchema = z.strictObject({
  ...wholeTariff,
  id: z.enum([tariffNowId, tariffThenId]),
  kind: z.literal('tariff'),
  name: nameSchema,
  utility: z.string().max(80),
  fixedPerMonth: between(0, 10_000, 'money'),
  /** Price where no period matches; the whole price of a flat tariff. */
  pricePerKwh: price,
  /** What is paid for a kWh that goes out, where nothing else says so. */
  exportPerKwh: price,
})
export type Tariff = DeepReadonly<z.infer<typeof tariffSchema>>
export type TariffPeriod = Tariff['periods'][number]

/** A tariff with one price and nothing else. */
const plain = tariffFormSchema.parse({ pricePerKwh: 0.25 })

export const tariffVersion = 2
export const tariffMigrations = [(value: Record<string, unknown>) => ({ ...plain, ...value })]

export const defaultTariff: Tariff = {
  ...plain,
  id: tariffNowId,
  kind: 'tariff',
  name: 'Flat',
  fixedPerMonth: 10,
  exportPerKwh: 0.08,
}
