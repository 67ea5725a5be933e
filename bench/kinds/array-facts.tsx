'use client'

import { type LaidArray } from '@/core/site/site'
import { Fact } from '../card/frame'
import { useNumbers, useSayer } from '../context'

/** Share of the unshaded sun that an array's modules get on the mean; null before the numbers are there. */
export function useSunAccess(arrayId: string): number | null {
  const { numbers } = useNumbers()
  const panels = numbers?.summary.panels.filter((panel) => panel.arrayId === arrayId) ?? []
  return panels.length === 0
    ? null
    : panels.reduce((sum, { sunAccess }) => sum + sunAccess, 0) / panels.length
}

/** How many modules lie there, and how much sun they get. */
export function ArrayFacts({ id, laid }: { readonly id: string; readonly laid: LaidArray | undefined }) {
  const sayer = useSayer()
  const access = useSunAccess(id)
  const sun = access === null ? { figure: '–', unit: '%' } : sayer.quantity({ value: access, unit: 'share' })
  return (
    <>
      <Fact
        label="Modules"
        value={String(laid?.panels.length ?? 0)}
        unit={laid && laid.empty.length > 0 ? `${laid.empty.length} removed` : ''}
      />
      <Fact label="Sun access" value={sun.figure} unit={sun.unit} />
    </>
  )
}
