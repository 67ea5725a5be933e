'use client'

import { parseNumber } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { useSite } from '../context'
import { TextField } from '../fields/text-field'
import { turnSelected } from '../tools/select/turn'
import { useToolContext } from '../use-tool-context'

/** Turns what is selected by what is typed. */
export function TurnField() {
  const context = useToolContext()
  const { locale } = useSite()
  const words = later.severalCard
  return (
    <TextField
      label={words.turnBy}
      shown="0"
      unit="°"
      hint={words.turnHint}
      onType={(text) => turnSelected(context, parseNumber(text.replace('°', ''), locale))}
    />
  )
}
