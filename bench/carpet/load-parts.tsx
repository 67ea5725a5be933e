'use client'

import { theOne } from '@/core/kinds/documents'
import { loadId } from '@/core/kinds/load/load'
import { later } from '@/words/en/later'
import { useBench, useHouse, useSession } from '../context'

const words = later.load
const whole = 'all'

/** Chooses the one thing of the house whose consumption the carpet shows; a title alone where there is but one. */
export function LoadParts({ title }: { readonly title: string }) {
  const { session } = useBench()
  const load = theOne(useHouse(), 'load', loadId)
  const shown = useSession((s) => s.loadPart)
  const coming = load.added.filter(({ on }) => on)
  if (coming.length === 0) return title
  const choices = [
    [whole, title],
    [loadId, words.today],
    ...coming.map(({ id, name }) => [id, name] as const),
  ] as const
  return (
    <select
      aria-label={words.shownLoad}
      className="max-w-32 cursor-pointer rounded border border-line bg-card text-[12px] text-ink"
      value={choices.find(([id]) => id === shown)?.[0] ?? whole}
      onChange={({ target: { value } }) => session.setState({ loadPart: value === whole ? null : value })}
    >
      {choices.map(([id, name]) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  )
}
