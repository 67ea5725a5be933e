'use client'

import { Fact } from '../card/frame'
import { kindOf } from '@/core/kinds/index'
import { later } from '@/words/en/later'
import { useHouse, useNumbers, useSayer } from '../context'
import { AsInOption } from '../shade/as-in-option'

/** What an object's shade costs a year. */
export function ShadeCost({ id }: { readonly id: string }) {
  const sayer = useSayer()
  const { numbers } = useNumbers()
  const kwh = numbers?.summary.shadeBill.find((item) => item.id === id)?.kwh ?? 0
  const { figure, unit } = sayer.quantity({ value: kwh, unit: 'kWh' })
  const object = useHouse()[id]
  return (
    <>
      <Fact label="Shade loss" value={figure} unit={`${unit} ${sayer.words.units.perYear}`} />
      {object && kindOf(object).standing?.altered && (
        <div className="mt-1">
          <p className="text-pencil">{later.shade.inOption}</p>
          <AsInOption object={object} />
        </div>
      )}
    </>
  )
}
