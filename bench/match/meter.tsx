'use client'

import { useState } from 'react'
import { theOne } from '@/core/kinds/documents'
import { loadId, type Load } from '@/core/kinds/load/load'
import { type MeterFile } from '@/core/load/meter-file'
import { Fault } from '@/core/model/fault'
import { overHttp } from '@/services/ask'
import { householdFile, householdsFrom, type MeteredHousehold } from '@/services/world'
import { later } from '@/words/en/later'
import { meterProblems } from '@/words/en/meter-problems'
import { useBench, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { FileButton, lineButton } from '../fields/file-button'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { useOfPlace } from '../use-of-place'
import { readMeterFile } from './read-meter'

const words = later.load
const problemTexts: Readonly<Record<string, string>> = meterProblems

/** What a meter has told, from a file or of a household of the town, and what looked odd in it. */
export function Meter({ load }: { readonly load: Load }) {
  const { desk, documents, session } = useBench()
  const sayer = useSayer()
  const [reading, setReading] = useState<string | null>(null)
  const [found, setFound] = useState<MeterFile | null>(null)
  const households = useOfPlace(householdsFrom)
  const site = useSite()
  const { meter } = load
  // Of the file that is there: another one may have come back since.
  const problems = meter !== null && meter.hours === found?.meter.hours ? found.problems : []
  const open = ([file]: readonly File[]) => {
    if (!file) return
    const name = file.name.slice(0, 60)
    setReading(name)
    readMeterFile(desk, file)
      .then(
        (read) => {
          const annualKwh = Math.round(read.annualKwh)
          const { step, fault } = documents.edit(words.takeMeter, houseId, (before) => ({
            ...before,
            [loadId]: {
              ...theOne(before, 'load', loadId),
              shape: 'meter',
              byMonth: null,
              annualKwh,
              meter: { ...read.meter, name },
            },
          }))
          setFound(read)
          const annual = sayer.written({ value: annualKwh, unit: 'kWh', digits: 0 })
          toast(session, fault ? sayer.fault(fault) : sayer.say(words.meterRead, { name, annual }), step)
        },
        (error: unknown) => {
          if (!(error instanceof Fault)) throw error
          toast(session, sayer.say(words.bad, { name, why: sayer.fault(error) }))
        },
      )
      .finally(() => setReading(null))
  }
  const openHousehold = async ({ id, name }: MeteredHousehold) => {
    setReading(name)
    try {
      open([new File([await householdFile(overHttp('/world'), id, site)], `${name}.csv`)])
    } catch (error) {
      setReading(null)
      if (!(error instanceof Fault)) throw error
      toast(session, words.householdAway)
    }
  }
  return (
    <div className="my-1">
      <FileButton
        label={words.takeMeter}
        shown={reading === null ? words.takeMeter : sayer.say(words.reading, { name: reading })}
        accept=".csv,.txt,.tsv,.xml,text/csv,text/plain,application/xml,text/xml"
        className={lineButton}
        disabled={reading !== null}
        onTake={open}
      />
      {households && households.length > 0 && (
        <ChoiceField
          label={words.household}
          value=""
          wide
          choices={[
            { value: '', label: words.chooseHousehold },
            ...households.map(({ id, name, kwhPerYear }) => ({
              value: id,
              label: sayer.say(words.householdOf, {
                name,
                kwh: sayer.written({ value: kwhPerYear, unit: 'kWh', digits: 0 }),
              }),
            })),
          ]}
          onChoose={(id) => {
            const household = households.find((one) => one.id === id)
            // One at a time: the one that is done last would be taken.
            if (household && reading === null) void openHousehold(household)
          }}
        />
      )}
      {meter && (
        <p className="quiet">
          {sayer.say(words.meterNote, {
            name: meter.name,
            days: meter.days,
            from: meter.from,
            step: meter.stepMinutes,
            filled:
              meter.filledShare === 0
                ? 'none'
                : sayer.written({ value: meter.filledShare, unit: 'share', digits: 1 }),
          })}{' '}
          <button
            type="button"
            className={lineButton}
            onClick={() => {
              documents.set(words.dropMeter, houseId, loadId, {
                meter: null,
                shape: load.shape === 'meter' ? 'evening' : load.shape,
              })
            }}
          >
            {words.dropMeter}
          </button>
        </p>
      )}
      {problems.length > 0 && (
        <details className="quiet">
          <summary className="cursor-pointer">{words.problems}</summary>
          <ul className="ml-4 list-disc">
            {problems.map(({ code, data, line }, k) => (
              <li key={k}>{sayer.say(problemTexts[code] ?? code, { ...data, line })}</li>
            ))}
          </ul>
        </details>
      )}
    </div>
  )
}
