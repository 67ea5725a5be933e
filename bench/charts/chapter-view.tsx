'use client'

import { useDeferredValue } from 'react'
import { BillChart, EnergyChart, PaybackChart, WeekChart } from '@/charts/figures'
import { StoreView } from '../battery/store-view'
import { type LineId } from '@/core/model/ledger'
import { useNumbers, useOptions, useSayer, useSession, useSite } from '../context'
import { AverageDays } from '../match/average-days'
import { EnergyFlowPicture } from '../match/energy-flow'
import { Offsets } from '../match/offsets'
import { Ranges } from '../offer/ranges'
import { Compare, CompareBelow } from './compare'

/** Room for the stage in the upper right corner. */
const besideStage = 'mr-[256px] min-h-[178px]'

/** Tells what stands beside the charts how far they have been scrolled. */
const goesAlong = (charts: HTMLElement | null) =>
  charts?.parentElement?.style.setProperty('--scrolled', String(charts.scrollTop))

/** What stands in the middle in Match, Store and Offer. */
export function ChapterView() {
  const chapter = useSession((s) => s.chapter)
  const { numbers: newest, fresh } = useNumbers()
  // The ledger's figures stand first; charts follow when there is time.
  const numbers = useDeferredValue(newest)
  const site = useSite()
  const optionCount = useOptions().length
  const sayer = useSayer()
  if (!numbers) return <p className="quiet p-6">Computing the year …</p>
  const { summary } = numbers
  const { monthly, cash } = summary
  const payback = summary.ledger.find((line) => line.id === 'payback')?.value ?? null
  const of = { sayer }
  const hasSolar = summary.ledger.find((line) => line.id === 'bill-then')?.absent === undefined
  const southern = site.latitudeDeg < 0
  // On a narrow screen a table of more than two goes below the stage, and the main figures stand beside it.
  const many = optionCount > 2
  return (
    <div
      // Another chapter begins at its top.
      key={chapter}
      role="region"
      aria-label="Charts"
      tabIndex={0}
      ref={goesAlong}
      onScroll={({ currentTarget }) => goesAlong(currentTarget)}
      className={`h-full overflow-y-auto bg-paper px-5 py-4 ${fresh && numbers === newest ? '' : 'opacity-70'}`}
    >
      {chapter === 'match' && (
        <div className="grid gap-4">
          <div className={besideStage}>
            <EnergyChart {...of} monthly={monthly} height={250} />
          </div>
          {hasSolar && <Offsets summary={summary} />}
          <EnergyFlowPicture summary={summary} />
          <div className="grid grid-cols-1 gap-4 xl:grid-cols-2">
            <BillChart {...of} monthly={monthly} height={230} hasSolar={hasSolar} />
            <WeekChart
              carpet={summary.carpet}
              place={sayer.place}
              height={230}
              which="summer"
              southern={southern}
            />
          </div>
          <AverageDays carpet={summary.carpet} />
        </div>
      )}
      {chapter === 'store' && (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
          <div className={besideStage}>
            <Tiles
              ids={['used', 'bought', 'self-sufficiency', 'bill-then', 'net-price', 'payback']}
              columns="grid-cols-3"
            />
          </div>
          <StoreView
            summary={summary}
            weeks={(['summer', 'winter'] as const).map((which) => (
              <WeekChart
                key={which}
                carpet={summary.carpet}
                place={sayer.place}
                height={230}
                which={which}
                southern={southern}
              />
            ))}
          />
        </div>
      )}
      {chapter === 'offer' && (
        <div className="grid gap-4">
          {many && (
            <div className={`${besideStage} xl:hidden`}>
              <Tiles ids={['saving', 'net-price', 'payback', 'npv']} columns="grid-cols-2" />
            </div>
          )}
          <div className={many ? 'xl:mr-[256px]' : besideStage}>
            <Compare />
          </div>
          <PaybackChart {...of} cash={cash} payback={payback} height={250} />
          <CompareBelow />
          {hasSolar && <Ranges />}
          <BillChart {...of} monthly={monthly} height={220} hasSolar={hasSolar} />
        </div>
      )}
    </div>
  )
}

function Tiles({ ids, columns }: { readonly ids: readonly LineId[]; readonly columns: string }) {
  const { numbers } = useNumbers()
  const sayer = useSayer()
  return (
    <dl className={`grid ${columns} gap-2`}>
      {ids.map((id) => {
        const line = numbers?.summary.ledger.find((l) => l.id === id)
        if (!line) return null
        const shown = sayer.figure(line.shown, line.unit, line.absent)
        return (
          <div key={id} className="rounded-lg border border-line bg-card px-3 py-2">
            <dt className="quiet">{sayer.line(id)}</dt>
            <dd className="text-[18px] font-semibold">
              {shown.figure} <span className="text-[12px] font-normal text-pencil">{shown.unit}</span>
            </dd>
          </div>
        )
      })}
    </dl>
  )
}
