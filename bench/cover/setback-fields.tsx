'use client'

import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { formatLength, parseLength } from '@/core/model/units'
import { edgeKinds } from '@/core/setbacks/edges'
import { later } from '@/words/en/later'
import { useBench, useOption, useSayer, useSession, useSite } from '../context'
import { ChoiceField, LengthField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { useRules } from './use-rules'

const words = later.setbacks
const noRules = '-'

/** How far modules keep from the edges of planes, and what the chosen rules ask. */
export function SetbackFields() {
  const { documents, session } = useBench()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const { units, locale } = useSite()
  const sayer = useSayer()
  const { setbacksM, rulesId } = theOne(option, 'cover', coverId)
  const { sets, rules, choose } = useRules()
  const labelOf = (edge: string, kept: number | null, asked: number | null | undefined) =>
    asked === null || asked === undefined || (kept !== null && kept >= asked)
      ? edge
      : sayer.say(words.asks, { edge, asked: formatLength(asked, units, locale) })
  return (
    <>
      <ChoiceField
        label={later.fields.cover.rulesId}
        value={rulesId ?? noRules}
        choices={[
          { value: noRules, label: words.none },
          ...(rules === undefined && rulesId !== null ? [{ value: rulesId, label: words.gone }] : []),
          ...sets.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        wide
        onChoose={(id) => {
          if (id !== rulesId) choose(sets.find((set) => set.id === id) ?? null)
        }}
      />
      <button
        type="button"
        className="cursor-pointer text-[12px] text-verdigris hover:underline"
        onClick={() => session.setState({ dialog: 'rules' })}
      >
        {words.open}
      </button>
      <h3 className="quiet mt-2">{words.title}</h3>
      {edgeKinds.map((edge) => (
        <LengthField
          key={edge}
          label={labelOf(sayer.words.edges[edge], setbacksM[edge], rules?.edgesM[edge])}
          name={`Setback, ${edge}`}
          documentId={optionId}
          objectId={coverId}
          value={setbacksM[edge]}
          fields={(metres) => ({ setbacksM: { ...setbacksM, [edge]: metres } })}
        />
      ))}
      <TextField
        label={labelOf(words.flat, setbacksM.flat, rules?.flatM)}
        shown={setbacksM.flat === null ? '' : formatLength(setbacksM.flat, units, locale)}
        width={units === 'imperial' ? 'length' : 'figure'}
        hint={words.flatHint}
        onType={(text) =>
          documents.set('Setback, flat roofs', optionId, coverId, {
            setbacksM: {
              ...setbacksM,
              flat: text.trim() === '' ? null : parseLength(text, units, locale),
            },
          })
        }
      />
    </>
  )
}
