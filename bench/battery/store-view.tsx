'use client'

import { type ReactNode } from 'react'
import { useStore } from 'zustand'
import { StorageChart } from '@/charts/storage'
import { suitingBatteries } from '@/core/electrical/battery-port'
import { theOne } from '@/core/kinds/documents'
import { offerId } from '@/core/kinds/offer/offer'
import { storageId } from '@/core/kinds/storage/storage'
import { type RunSummary } from '@/core/readers/summary'
import { isChosen, sizesOf } from '@/core/readers/storage-sizes'
import { later } from '@/words/en/later'
import { useBench, useCatalogue, useHouse, useOption, useSayer, useSession } from '../context'
import { useInverterHere } from '../inverter-here'
import { LiveNumbers } from '../live/live-numbers'
import { Backup } from './backup'
import { BatteryLife } from './battery-life'
import { BatteryDay } from './battery-day'
import { OffGridView } from './off-grid'
import { SizesTable } from './sizes-table'

const words = later.battery

/** What stands in the middle in Store: the battery's day, sizes side by side, and what more of it would bring. */
export function StoreView({ summary, weeks }: { readonly summary: RunSummary; readonly weeks: ReactNode }) {
  const { live } = useBench()
  const catalogue = useCatalogue()
  const id = useSession((s) => s.optionId)
  const [house, option] = [useHouse(), useOption()]
  const sayer = useSayer()
  const known = useStore(live.store, (s) => s.storages[id])
  const stationKey = useStore(live.store, (s) => s.stationKey)
  const fresh = LiveNumbers.fits(known, house, option, stationKey)
  const storage = theOne(option, 'storage', storageId)
  const inverter = useInverterHere() ?? {}
  // One that does not suit the inverter is left out of the year.
  const chosen = suitingBatteries(catalogue.batteries, inverter).find(
    ({ id: own }) => own === storage.batteryId,
  )
  const capKwh = (chosen?.usableKwh ?? 0) * storage.count
  const all = sizesOf(catalogue, storage, inverter).length
  const picture = known?.picture
  const done = fresh ? (picture?.worths.length ?? 0) : 0
  const own = picture?.worths.find((size) => isChosen(size, storage))
  const money = (value: number, digits = 0) => sayer.written({ value, unit: 'money', digits })
  return (
    <>
      <section aria-label={words.sizes}>
        <h3 className="font-semibold">{words.sizes}</h3>
        <p className="quiet mb-1" role="status">
          {done === all ? words.sizesNote : sayer.say(words.sizesProgress, { done, all })}
        </p>
        {picture && (
          <div className={fresh ? '' : 'opacity-60'}>
            <SizesTable worths={picture.worths} complete={done === all} />
            {own && own.ofBest !== null && (
              <p className="mt-2">
                {sayer.say(words.yardstick, {
                  rule: words.rules[storage.rule],
                  share: { value: own.ofBest, unit: 'share', digits: 0 },
                  earned: money(own.earned),
                  best: money(own.earned / own.ofBest),
                })}
              </p>
            )}
            {chosen && (
              <BatteryLife
                sheet={chosen}
                count={storage.count}
                aged={summary.aged}
                replacements={theOne(option, 'offer', offerId).replacements}
              />
            )}
            {picture.peaks && (
              <p className="mt-2">
                {sayer.say(words.peaks, {
                  kept: { value: picture.peaks.kept, unit: 'kW', digits: 2 },
                  bare: { value: picture.peaks.bare, unit: 'kW', digits: 2 },
                })}
              </p>
            )}
          </div>
        )}
      </section>
      {picture?.steps && picture.steps.length > 0 && (
        <div className={fresh ? '' : 'opacity-60'}>
          <StorageChart
            steps={picture.steps}
            note={sayer.say(words.furtherNote, {
              rule: storage.rule === 'peak-shaving' ? 'peaks' : 'other',
              kw: picture.perKw === null ? 'none' : money(picture.perKw, 2),
            })}
            sayer={sayer}
            words={words}
            height={230}
          />
        </div>
      )}
      {chosen && <BatteryDay carpet={summary.carpet} floorKwh={capKwh * storage.reserve} capKwh={capKwh} />}
      {chosen && (
        <div className={fresh ? '' : 'opacity-60'}>
          <Backup storage={storage} backup={picture?.backup ?? null} carpet={summary.carpet} />
        </div>
      )}
      {picture && summary.count > 0 && (
        <div className={fresh ? '' : 'opacity-60'}>
          <OffGridView
            sizes={picture.offGrid}
            missing={picture.missing}
            storage={storage}
            summary={summary}
          />
        </div>
      )}
      {weeks}
    </>
  )
}
