'use client'

import { MonthBars } from '@/charts/month-bars'
import { type BackupSummary } from '@/core/battery/backup'
import { theOne } from '@/core/kinds/documents'
import { loadId } from '@/core/kinds/load/load'
import { storageId, type Storage } from '@/core/kinds/storage/storage'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useBench, useHouse, useSayer, useSession } from '../context'
import { NumberField, PercentField } from '../fields/fields'
import { momentText } from './said'
import { YearCarpet } from './year-carpet'

const words = later.battery

/** On the carpet two days are as good as a fortnight: what is short is to be seen. */
const shownHours = 48

/** How long what stays on would run if the grid failed, and what that is. */
export function Backup({
  storage,
  backup,
  carpet,
}: {
  readonly storage: Storage
  /** Null until it is known. */
  readonly backup: BackupSummary | null
  readonly carpet: RunSummary['carpet']
}) {
  const sayer = useSayer()
  const { place } = sayer
  const of = { documentId: useSession((s) => s.optionId), objectId: storageId, name: words.backupName }
  const { documents } = useBench()
  const { added } = theOne(useHouse(), 'load', loadId)
  // What goes is in no circuit.
  const offered = added.filter(({ on, kwhPerYear }) => on && kwhPerYear > 0)
  const { loads } = storage.backup
  const choose = (id: string, stays: boolean) =>
    documents.set(of.name, of.documentId, of.objectId, {
      backup: {
        ...storage.backup,
        // Those that are there no longer go.
        loads: added.flatMap((one) => ((one.id === id ? stays : loads.includes(one.id)) ? [one.id] : [])),
      },
    })
  const shown = (hours: number) =>
    backup && hours >= backup.mostHours
      ? sayer.say(words.backupMost, { hours: number(hours, place) })
      : number(hours, place, hours < 10 ? 1 : 0)
  return (
    <section aria-label={words.backup}>
      <h3 className="font-semibold">{words.backup}</h3>
      <div className="max-w-[20rem]">
        <NumberField
          {...of}
          label={words.backupKw}
          unit="kW"
          digits={1}
          value={storage.backup.kw}
          fields={(kw) => ({ backup: { ...storage.backup, kw } })}
        />
        {offered.length > 0 && (
          <fieldset>
            <legend className="text-pencil">{words.backupLoads}</legend>
            {offered.map(({ id, name }) => (
              <label key={id} className="flex cursor-pointer items-center gap-1.5 py-0.5">
                <input
                  type="checkbox"
                  checked={loads.includes(id)}
                  onChange={({ target }) => choose(id, target.checked)}
                />
                {name}
              </label>
            ))}
          </fieldset>
        )}
        <PercentField
          {...of}
          label={words.backupShare}
          digits={0}
          value={storage.backup.share}
          fields={(share) => ({ backup: { ...storage.backup, share } })}
        />
      </div>
      {backup && (
        <>
          <p className="my-1">
            {sayer.say(words.backupNote, {
              worst: shown(backup.worstHours),
              moment: momentText(backup.worstInterval, carpet, sayer),
              mostly: shown(backup.mostlyHours),
              day: { value: backup.dayShare, unit: 'share', digits: 0 },
            })}
          </p>
          <YearCarpet
            title={words.backupCarpet}
            carpet={carpet}
            values={backup.hours}
            most={shownHours}
            unit="h"
            over={sayer.say(words.backupMost, { hours: { value: shownHours, unit: 'h', digits: 0 } })}
          />
          <MonthBars
            byMonth={backup.byMonth}
            unit="h"
            title={words.backupByMonth}
            sayer={sayer}
            height={190}
          />
        </>
      )}
    </section>
  )
}
