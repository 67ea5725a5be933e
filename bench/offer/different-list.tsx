'use client'

import { type Objects } from '@/core/kinds/documents'
import { later } from '@/words/en/later'
import { useHouse, useSayer } from '../context'
import { shownValue } from '../saving/shown-value'
import { differences, type Difference } from './different'

const words = later.compare

/** In words what the option on the screen has otherwise than each of the others. */
export function Different({
  options,
  activeId,
}: {
  readonly options: readonly {
    readonly id: string
    readonly letter: string
    readonly name: string
    readonly objects: Objects
  }[]
  readonly activeId: string
}) {
  const sayer = useSayer()
  const active = options.find(({ id }) => id === activeId)
  if (!active) return null
  return (
    <section aria-label={words.different}>
      <h3 className="font-semibold">{words.different}</h3>
      {options
        .filter(({ id }) => id !== activeId)
        .map((other) => (
          <div key={other.id} className="mb-2">
            <p className="quiet">
              {sayer.say(words.against, {
                letter: active.letter,
                name: active.name,
                otherLetter: other.letter,
                other: other.name,
              })}
            </p>
            <Differences found={differences(active.objects, other.objects)} />
          </div>
        ))}
    </section>
  )
}

function Differences({ found }: { readonly found: readonly Difference[] }) {
  const sayer = useSayer()
  const house = useHouse()
  const said = (one: Difference): string => {
    if (one.what === 'alteration') {
      const object = house[one.of]
      return sayer.say(words.whatIf, { name: object && 'name' in object ? object.name : one.of })
    }
    const labels: Readonly<Record<string, string>> = later.fields[one.ours.kind]
    const label = labels[one.field] ?? one.field
    const isWhole = [one.ours, one.theirs].some((object) => {
      const value: unknown = object[one.field as keyof typeof object]
      return typeof value === 'object' && value !== null
    })
    if (isWhole) return sayer.say(words.otherwiseWhole, { label })
    return sayer.say(words.otherwise, {
      label,
      ours: shownValue(one.ours, one.field, sayer),
      theirs: shownValue(one.theirs, one.field, sayer),
    })
  }
  if (found.length === 0) return <p>{words.same}</p>
  return (
    <ul className="ml-5 list-disc">
      {found.map((one, k) => (
        <li key={k}>{said(one)}</li>
      ))}
    </ul>
  )
}
