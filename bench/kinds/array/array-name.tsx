'use client'

import { type PanelArray } from '@/core/kinds/array/array'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSession } from '../../context'
import { TextField } from '../../fields/text-field'
import { arrayTitle } from './title'

/** What an array is called: by its plane until it has a name of its own, and again once that is cleared. */
export function ArrayName({ array }: { readonly array: PanelArray }) {
  const { documents, site } = useBench()
  const optionId = useSession((s) => s.optionId)
  const sayer = useSayer()
  const fields = later.fields.array
  return (
    <TextField
      label={fields.name}
      shown={arrayTitle(array, sayer, site(), documents.house)}
      width="name"
      onType={(text) => {
        const { name: _name, ...unnamed } = array
        return documents.edit(fields.name, optionId, (before) => ({
          ...before,
          [array.id]: text.trim() === '' ? unnamed : { ...unnamed, name: text.trim() },
        })).fault
      }}
    />
  )
}
