'use client'

import { type Rules } from '@/core/kinds/rules/rules'
import { formatLength, parseLength } from '@/core/model/units'
import { edgeKinds } from '@/core/setbacks/edges'
import { obstructionKinds } from '@/core/setbacks/rule-set'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite } from '../context'
import { ChoiceField, LengthField, NumberField, PercentField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { houseId } from '../store/documents'

const words = later.setbacks
const usualPathways = { widthM: 0.9, planes: 2, besideArrays: false }
const usualCrowded = { overShare: 0.33, ridgeM: 0.9 }

/** Rules of a job's own, to be written. */
export function OwnRules({ rules }: { readonly rules: Rules }) {
  const { documents } = useBench()
  const { units, locale } = useSite()
  const sayer = useSayer()
  const names = later.fields.rules
  const { edgesM, flatM, crowded, pathways, clearancesM } = rules
  const of = { documentId: houseId, objectId: rules.id }
  const set = (label: string, fields: Partial<Rules>) => documents.set(label, houseId, rules.id, fields)
  return (
    <div className="mt-3 grid gap-x-8 gap-y-3 sm:grid-cols-2">
      <section>
        <TextField
          label={names.name}
          width="name"
          shown={rules.name}
          onType={(name) => set(names.name, { name })}
        />
        <TextField
          label={names.authority}
          width="name"
          shown={rules.authority}
          onType={(authority) => set(names.authority, { authority })}
        />
        <h3 className="mt-3 font-semibold">{words.from}</h3>
        {edgeKinds.map((edge) => (
          <LengthField
            key={edge}
            {...of}
            label={sayer.words.edges[edge]}
            name={sayer.words.edges[edge]}
            value={edgesM[edge]}
            fields={(metres) => ({ edgesM: { ...edgesM, [edge]: metres } })}
          />
        ))}
        <TextField
          label={words.fromFlat}
          shown={flatM === null ? '' : formatLength(flatM, units, locale)}
          width={units === 'imperial' ? 'length' : 'figure'}
          hint={words.flatHint}
          onType={(text) =>
            set(words.fromFlat, { flatM: text.trim() === '' ? null : parseLength(text, units, locale) })
          }
        />
      </section>
      <section>
        <Asked
          label={words.pathways}
          asked={pathways !== null}
          onAsk={(ask) => set(words.pathways, { pathways: ask ? usualPathways : null })}
        />
        {pathways && (
          <>
            <LengthField
              {...of}
              label={words.pathWidth}
              name={words.pathWidth}
              value={pathways.widthM}
              fields={(widthM) => ({ pathways: { ...pathways, widthM } })}
            />
            <NumberField
              {...of}
              label={words.planes}
              name={words.planes}
              value={pathways.planes}
              fields={(planes) => ({ pathways: { ...pathways, planes } })}
            />
            <Asked
              label={words.beside}
              asked={pathways.besideArrays}
              onAsk={(besideArrays) => set(words.beside, { pathways: { ...pathways, besideArrays } })}
            />
          </>
        )}
        <div className="mt-3">
          <Asked
            label={words.crowded}
            asked={crowded !== null}
            onAsk={(ask) => set(words.crowded, { crowded: ask ? usualCrowded : null })}
          />
        </div>
        {crowded && (
          <>
            <PercentField
              {...of}
              digits={0}
              label={words.over}
              name={words.over}
              value={crowded.overShare}
              fields={(overShare) => ({ crowded: { ...crowded, overShare } })}
            />
            <LengthField
              {...of}
              label={words.ridge}
              name={words.ridge}
              value={crowded.ridgeM}
              fields={(ridgeM) => ({ crowded: { ...crowded, ridgeM } })}
            />
          </>
        )}
        <h3 className="mt-3 font-semibold">{words.clearances}</h3>
        {obstructionKinds.map((kind) => (
          <LengthField
            key={kind}
            {...of}
            label={words.kinds[kind]}
            name={words.kinds[kind]}
            value={clearancesM[kind]}
            fields={(metres) => ({ clearancesM: { ...clearancesM, [kind]: metres } })}
          />
        ))}
      </section>
    </div>
  )
}

/** Whether something is asked for. */
function Asked({
  label,
  asked,
  onAsk,
}: {
  readonly label: string
  readonly asked: boolean
  readonly onAsk: (ask: boolean) => void
}) {
  return (
    <ChoiceField
      label={label}
      value={asked ? 'yes' : 'no'}
      choices={[
        { value: 'no', label: words.notAsked },
        { value: 'yes', label: words.asked },
      ]}
      wide={false}
      onChoose={(choice) => onAsk(choice === 'yes')}
    />
  )
}
