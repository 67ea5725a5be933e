'use client'

import { later } from '@/words/en/later'
import { useSayer } from '../context'

/** A small cross that takes one of a list away. */
export function RemoveButton({
  name,
  tall = false,
  onRemove,
}: {
  readonly name: string
  /** As high as the fields that it stands beside. */
  readonly tall?: boolean
  readonly onRemove: () => void
}) {
  const sayer = useSayer()
  return (
    <button
      type="button"
      aria-label={sayer.say(later.tariff.remove, { name })}
      className={`cursor-pointer px-1 text-pencil hover:text-clay ${tall ? 'h-7' : ''}`}
      onClick={onRemove}
    >
      ×
    </button>
  )
}
