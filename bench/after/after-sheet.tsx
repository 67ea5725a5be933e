'use client'

import { Fault } from '@/core/model/fault'
import { later } from '@/words/en/later'
import { momentName } from '@/words/format'
import { useBench, useNumbers, useSayer } from '../context'
import { ChoiceField } from '../fields/fields'
import { DayField } from '../fields/day-field'
import { FileButton } from '../fields/file-button'
import { Sheet } from '../sheet'
import { AfterFound } from './after-found'
import { FileProblems } from './file-problems'
import { useProduction } from './use-production'
import { asItIs, usePromising, type AcceptedOffer } from './use-promising'
import { useReport } from './use-report'

const words = later.after

/** The year after: what was promised against what was made, corrected for the weather that was. */
export function AfterSheet() {
  const { session } = useBench()
  const sayer = useSayer()
  const { numbers } = useNumbers()
  const { offers, away, chosen, choose, promised } = usePromising()
  const nothing = chosen === asItIs && (!numbers || numbers.summary.count === 0)
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      {offers && offers.length > 0 && (
        <div className="mb-3 max-w-md">
          <ChoiceField
            label={words.against}
            value={chosen}
            wide
            choices={[
              ...offers.map((offer) => ({ value: offer.id, label: nameOf(offer) })),
              { value: asItIs, label: words.asItIs },
            ]}
            onChoose={choose}
          />
        </div>
      )}
      {away && <p className="quiet mb-3">{words.away}</p>}
      {promised instanceof Fault ? (
        <Wrong text={sayer.fault(promised)} />
      ) : offers && nothing ? (
        <p>{words.none}</p>
      ) : (
        <Compared promised={promised} />
      )}
    </Sheet>
  )

  function nameOf({ name, accepted }: AcceptedOffer): string {
    return sayer.say(words.acceptedOffer, { name, at: momentName(accepted.at, sayer.place.locale) })
  }
}

const Wrong = ({ text }: { readonly text: string }) => (
  <p role="alert" className="rounded-md bg-clay-soft p-2 text-clay">
    {text}
  </p>
)

function Compared({ promised }: { readonly promised: Parameters<typeof useReport>[1] }) {
  const sayer = useSayer()
  const { production, taken, state, take, setSince, remove } = useProduction()
  const { reading, stop } = useReport(production, promised)
  const runs = production !== null && reading.at === 'running'
  const fault = state instanceof Fault ? state : production && reading.at === 'wrong' ? reading.fault : null
  return (
    <>
      {production === null && <p className="mb-3 max-w-prose">{words.intro}</p>}
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <FileButton
          label={production === null ? words.choose : words.another}
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          className="button"
          onTake={([one]) => one && take(one)}
        />
        {production && (
          <>
            <button type="button" className="button" onClick={remove}>
              {words.remove}
            </button>
            <div className="w-64">
              <DayField label={later.fields.production.since} value={production.since} onSet={setSince} />
            </div>
          </>
        )}
        <p role="status" className="quiet flex-1">
          {state === 'reading'
            ? words.readingFile
            : runs
              ? words.reading
              : production && reading.at === 'stopped'
                ? words.stopped
                : ''}
        </p>
        {runs && (
          <button type="button" className="button" onClick={stop}>
            {words.stop}
          </button>
        )}
      </div>
      {fault && <Wrong text={sayer.fault(fault)} />}
      {production && reading.at === 'found' && <AfterFound found={reading} fileName={production.name} />}
      {taken && <FileProblems taken={taken} />}
    </>
  )
}
