'use client'

import { type PanelArray } from '@/core/kinds/array/array'
import { formatLength, parseLength } from '@/core/model/units'
import { edgeKeysOf } from '@/core/setbacks/edges'
import { type LaidArray } from '@/core/site/site'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSession, useSite } from '../../context'
import { TextField } from '../../fields/text-field'

const words = later.setbacks

/** The setback of every edge of an array's plane: the one all arrays share, or one of its own. */
export function EdgeSetbacks({
  array,
  laid,
}: {
  readonly array: PanelArray
  readonly laid: LaidArray | undefined
}) {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const { units, locale } = useSite()
  const sayer = useSayer()
  if (!laid?.margins) return null
  const { plane, setbacksM } = laid.margins
  const own = array.edgesM ?? {}
  const keys = edgeKeysOf(plane)
  return (
    <details open={Object.keys(own).length > 0}>
      <summary className="cursor-pointer py-0.5 text-pencil">{later.fields.array.edgesM}</summary>
      {keys.map((key, i) => {
        const kind = plane.edges[i]?.kind ?? 'eave'
        const several = plane.edges.filter((edge) => edge.kind === kind).length > 1
        const edge = sayer.words.edges[kind]
        const nth = keys.slice(0, i + 1).filter((other) => other.startsWith(`${kind}:`)).length
        const name = several ? sayer.say(words.nth, { edge, n: nth }) : edge
        return (
          <TextField
            key={key}
            label={own[key] === undefined ? name : `${name} · ${words.own}`}
            shown={formatLength(setbacksM[i] ?? 0, units, locale)}
            width={units === 'imperial' ? 'length' : 'figure'}
            hint={words.edgeNote}
            onType={(text) => {
              const { [key]: _before, ...others } = own
              const edgesM = text.trim() === '' ? others : { ...own, [key]: parseLength(text, units, locale) }
              return documents.set(`Setback, ${name}`, optionId, array.id, { edgesM })
            }}
          />
        )
      })}
    </details>
  )
}
