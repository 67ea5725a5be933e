'use client'

import { useMemo, useState } from 'react'
import { theOne } from '@/core/kinds/documents'
import { loadId, loadShapes, type Load, type LoadShape } from '@/core/kinds/load/load'
import { hourlyLoad } from '@/core/load/hourly-load'
import { localClock, standardOffsetHours } from '@/core/model/local-clock'
import { modelYear, yearHours, yearStartMs } from '@/core/model/model-year'
import { parseNumber } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered, monthNames } from '@/words/format'
import { useBench, useHouse, useSayer, useSite } from '../context'
import { ChoiceField, NumberField } from '../fields/fields'
import { lineButton } from '../fields/file-button'
import { TextField } from '../fields/text-field'
import { houseId } from '../store/documents'
import { AddedLoads } from './added-loads'
import { Meter } from './meter'

const words = later.load

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
