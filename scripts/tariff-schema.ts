import { z } from 'zod'
import { tariffFormSchema } from '@/core/kinds/tariff/form'

/** A tariff in all its forms as JSON Schema. */
export const tariffSchema = (): object => ({
  title: 'Tariff',
  description:
    'How energy is paid for: prices in money per kWh, hours of the local clock, the first period that matches gives the price.',
  ...z.toJSONSchema(tariffFormSchema, { io: 'input', unrepresentable: 'any' }),
})
