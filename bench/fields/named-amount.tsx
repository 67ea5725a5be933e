'use client'

import { type Fault } from '@/core/model/fault'
import { later } from '@/words/en/later'
import { CellField } from './cell-field'
import { RemoveButton } from './remove-button'

/** A line of a list: what it is called, how much it is, and a cross that takes it away. */
export function NamedAmount({
  name,
  shown,
  unit,
  onName,
  onAmount,
  onRemove,
}: {
  readonly name: string
  readonly shown: string
  readonly unit: string
  readonly onName: (text: string) => Fault | null
  readonly onAmount: (text: string) => Fault | null
  readonly onRemove: () => void
}) {
  return (
    <div className="flex items-start gap-1.5 py-0.5">
      <div className="min-w-0 flex-1">
        <CellField label={later.money.name} shown={name} left onType={onName} />
      </div>
      <div className="w-20">
        <CellField label={name} shown={shown} onType={onAmount} />
      </div>
      <span className="w-16 text-[12px] leading-7 text-pencil">{unit}</span>
      <RemoveButton name={name} tall onRemove={onRemove} />
    </div>
  )
}
