'use client'

import { Fact } from '../card/frame'
import { useNumbers, useSayer } from '../context'

/** What an object's shade costs a year. */
export function ShadeCost({ id }: { readonly id: string }) {
  const sayer = useSayer()
  const { numbers } = useNumbers()
  const kwh = numbers?.summary.shadeBill.find((item) => item.id === id)?.kwh ?? 0
  const { figure, unit } = sayer.quantity({ value: kwh, unit: 'kWh' })
  return <Fact label="Shade loss" value={figure} unit={`${unit} ${sayer.words.units.perYear}`} />
}
