'use client'

import { useMemo, useState } from 'react'
import { theOne } from '@/core/kinds/documents'
import { loadId, loadShapes, type Load, type LoadShape } from '@/core/kinds/load/load'
import { Fault } from '@/core/model/fault'
import { hourlyLoad } from '@/core/load/hourly-load'
import { localClock, standardOffsetHours } from '@/core/model/local-clock'
import { modelYear, yearHours, yearStartMs } from '@/core/model/model-year'
import { parseNumber } from '@/core/model/numbers'
import { type MeterFile } from '@/core/load/meter-file'
import { later } from '@/words/en/later'
import { meterProblems } from '@/words/en/meter-problems'
import { entered, monthNames } from '@/words/format'
import { useBench, useHouse, useSayer, useSite } from '../context'
import { ChoiceField, NumberField } from '../fields/fields'
import { FileButton, lineButton } from '../fields/file-button'
import { TextField } from '../fields/text-field'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { AddedLoads } from './added-loads'
import { readMeterFile } from './read-meter'

const words = later.load
const problemTexts: Readonly<Record<string, string>> = meterProblems

/** What the customer uses: a year's figure or twelve, its shape or a meter's file, and what will come. */
export function Consumption() {
  const { documents, session } = useBench()
  const load = theOne(useHouse(), 'load', loadId)
  const fields = later.fields.load
  return (
    <>
      <NumberField
        label={fields.annualKwh}
        name="Consumption"
        unit="kWh"
        documentId={houseId}
        objectId={loadId}
        value={load.annualKwh}
        fields={(annualKwh) => ({ annualKwh })}
      />
      <ChoiceField
        label={fields.shape}
        value={load.shape}
        choices={loadShapes
          .filter((value) => value !== 'meter' || load.meter !== null)
          .map((value) => ({ value, label: later.loadShapes[value] }))}
        onChoose={(shape: LoadShape) => documents.set('Load shape', houseId, loadId, { shape })}
      />
      <Months load={load} />
      <button
        type="button"
        className={`block ${lineButton}`}
        onClick={() => session.setState({ dialog: 'customer-bills' })}
      >
        {later.customerBills.open}
      </button>
      <Meter load={load} />
      <AddedLoads load={load} />
    </>
  )
}

const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0)

/** Twelve figures; typing them sets the year's total as well. */
function Months({ load }: { readonly load: Load }) {
  const { documents } = useBench()
  const shown = useMonths(load)
  const site = useSite()
  const sayer = useSayer()
  const [open, setOpen] = useState(false)
  const set = (month: number, kwh: number) => {
    const byMonth = shown.map((own, m) => Math.round((m === month ? kwh : own) * 100) / 100)
    return documents.set(words.byMonthSet, houseId, loadId, { byMonth, annualKwh: sum(byMonth) })
  }
  return (
    <>
      <button
        type="button"
        aria-expanded={open}
        className={`block ${lineButton}`}
        onClick={() => setOpen(!open)}
      >
        {open ? words.closeMonths : words.openMonths}
      </button>
      {open && (
        <div className="my-1 grid grid-cols-1 rounded-md bg-fold px-2 py-1">
          {monthNames(sayer.place.locale).map((month, m) => (
            <TextField
              key={month}
              label={month}
              unit="kWh"
              shown={entered(Math.round(shown[m] ?? 0), site)}
              onType={(text) => set(m, parseNumber(text, site.locale))}
            />
          ))}
          {load.byMonth && (
            <button
              type="button"
              className={`text-left ${lineButton}`}
              onClick={() => documents.set(words.byMonthSet, houseId, loadId, { byMonth: null })}
            >
              {words.dropMonths}
            </button>
          )}
        </div>
      )}
    </>
  )
}

/** What each month of today's consumption comes to, without what will come. */
function useMonths(load: Load): readonly number[] {
  const { timeZone, latitudeDeg } = useSite()
  const { annualKwh, shape, byMonth, meter } = load
  return useMemo(() => {
    const start = yearStartMs(standardOffsetHours(timeZone, modelYear))
    const clock = localClock(timeZone, start, 60, yearHours)
    const months = new Array<number>(12).fill(0)
    hourlyLoad({ annualKwh, shape, byMonth, meter }, clock, latitudeDeg < 0).forEach((kwh, i) => {
      const month = clock.month[i] ?? 0
      months[month] = (months[month] ?? 0) + kwh
    })
    return months
  }, [annualKwh, shape, byMonth, meter, timeZone, latitudeDeg])
}

function Meter({ load }: { readonly load: Load }) {
  const { desk, documents, session } = useBench()
  const sayer = useSayer()
  const [reading, setReading] = useState<string | null>(null)
  const [found, setFound] = useState<MeterFile | null>(null)
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
