'use client'

import { useStore } from 'zustand'
import {
  usualYearSpread,
  type MoneyRanges,
  type Mover,
  type Range,
  type Unknown,
} from '@/core/finance/ranges'
import { type Offer } from '@/core/kinds/offer/offer'
import { later } from '@/words/en/later'
import { money } from '@/words/format'
import { useBench, useHouse, useOption, useSayer, useSession, useSite, useStations } from '../context'
import { LiveNumbers } from '../live/live-numbers'
import { chosenStation } from '../stations/station-choice'
import { FigureCell } from './typed'
import { useOffer } from './use-offer'

const words = later.ranges
const written = ({ figure, unit }: { readonly figure: string; readonly unit: string }) =>
  `${figure} ${unit}`.trim()
const percentiles = ['p90', 'p50', 'p10'] as const
const head = 'py-1 pl-4 text-right font-normal text-pencil'
const cell = 'py-1 pl-4 text-right whitespace-nowrap'

/** Payback and saving as ranges, what moves them most, and how unsure each input is. */
export function Ranges() {
  const { live } = useBench()
  const id = useSession((s) => s.optionId)
  const [house, option] = [useHouse(), useOption()]
  const known = useStore(live.store, (s) => s.ranges[id])
  const stationKey = useStore(live.store, (s) => s.stationKey)
  const sayer = useSayer()
  const fresh = LiveNumbers.fits(known, house, option, stationKey)
  const found = known?.found
  return (
    <section aria-label={words.title}>
      <h3 className="font-semibold">{words.title}</h3>
      <p className="quiet mb-1 max-w-[46rem]" role="status">
        {found && fresh
          ? sayer.say(words.note, {
              trials: found.trials,
              share: { value: found.paysBack, unit: 'share', digits: 0 },
            })
          : words.progress}
      </p>
      <div className="grid gap-x-8 gap-y-4 xl:grid-cols-2">
        {found && (
          <div className={fresh ? '' : 'opacity-60'}>
            <Figures found={found} />
            <Movers movers={found.movers} />
          </div>
        )}
        <Uncertainty />
      </div>
    </section>
  )
}

function Figures({ found }: { readonly found: MoneyRanges }) {
  const { offer } = useOffer()
  const sayer = useSayer()
  const payback = (value: number | null) => written(sayer.figure(value, 'years'))
  const cash = (value: number) => money(value, sayer.place)
  const row = <T,>(label: string, range: Range<T>, write: (value: T) => string) => (
    <tr className="border-t border-line">
      <th scope="row" className="py-1 text-left font-normal text-pencil">
        {label}
      </th>
      {percentiles.map((one) => (
        <td key={one} className={`${cell} ${one === 'p50' ? 'font-semibold' : ''}`}>
          {write(range[one])}
        </td>
      ))}
    </tr>
  )
  return (
    <table className="w-full">
      <thead>
        <tr>
          <td />
          {percentiles.map((one) => (
            <th key={one} scope="col" className={head}>
              {one.toUpperCase()}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {row(words.payback, found.paybackYears, payback)}
        {row(sayer.say(words.left, { years: offer.years }), found.left, cash)}
        {row(words.npv, found.npv, cash)}
      </tbody>
    </table>
  )
}

/** Bars from the better to the worse payback, on one scale. */
function Movers({ movers }: { readonly movers: readonly Mover[] }) {
  const { offer } = useOffer()
  const sayer = useSayer()
  // A payback that never comes stands at the end of the scale.
  const end = offer.years
  const ends = movers.map(({ low, high }) =>
    [low.paybackYears ?? end, high.paybackYears ?? end].sort((a, b) => a - b),
  )
  const least = Math.min(...ends.map(([from = 0]) => from))
  const most = Math.max(...ends.map(([, to = 0]) => to))
  const place = (years: number) => (100 * (years - least)) / Math.max(1e-9, most - least)
  const said = (value: number | null) => written(sayer.figure(value, 'years'))
  if (movers.length === 0) return null
  return (
    <div className="mt-3">
      <h4 className="font-semibold">{words.movers}</h4>
      <ul>
        {movers.map(({ what, low, high }, k) => {
          const [from = 0, to = 0] = ends[k] ?? []
          const best = low.paybackYears === from ? low : high
          const worst = best === low ? high : low
          return (
            <li key={what} className="grid grid-cols-[9.5rem_4rem_1fr_4rem] items-center gap-2 py-0.5">
              <span className="text-pencil">{words.unknowns[what]}</span>
              <span className="text-right text-[12px] whitespace-nowrap">{said(best.paybackYears)}</span>
              <span className="relative h-3 rounded-sm bg-line/50" aria-hidden>
                <span
                  className="absolute top-0 bottom-0 rounded-sm bg-verdigris"
                  style={{ left: `${place(from)}%`, right: `${100 - place(to)}%`, minWidth: 2 }}
                />
              </span>
              <span className="text-[12px] whitespace-nowrap">{said(worst.paybackYears)}</span>
            </li>
          )
        })}
      </ul>
      <p className="quiet mt-1">{words.moversNote}</p>
    </div>
  )
}

type Entered = keyof Offer['ranges']
const entered: readonly Entered[] = ['yieldModel', 'priceGrowth', 'loadGrowth', 'degradation']
const byYear: ReadonlySet<Unknown> = new Set(['priceGrowth', 'loadGrowth', 'degradation'])

function Uncertainty() {
  const { offer, set } = useOffer()
  const { ranges } = offer
  return (
    <div className="max-w-[24rem]">
      <h4 className="font-semibold">{words.uncertainty}</h4>
      {entered.map((what) => (
        <div key={what} className="flex items-start gap-1.5 py-0.5">
          <span className="flex-1 leading-7 text-pencil">{words.unknowns[what]}</span>
          <div className="w-20">
            <FigureCell
              label={`${words.uncertainty}: ${words.unknowns[what]}`}
              value={ranges[what]}
              digits={1}
              percent
              onSet={(value) =>
                set(words.uncertainty, { ranges: { ...ranges, [what]: value ?? ranges[what] } })
              }
            />
          </div>
          <span className="w-16 text-[12px] leading-7 text-pencil">
            {byYear.has(what) ? words.aYear : '%'}
          </span>
        </div>
      ))}
      <RecordSpread />
    </div>
  )
}

/** What the weather's own spread is taken from. */
function RecordSpread() {
  const sayer = useSayer()
  const spread = chosenStation(useStations(), useSite().stationId)?.station.yearSpread ?? null
  return (
    <p className="flex gap-1.5 py-0.5">
      <span className="flex-1 text-pencil">{words.unknowns.weather}</span>
      <span className="w-20 text-right">
        {sayer.written({ value: spread ?? usualYearSpread, unit: 'share', digits: 1 })}
      </span>
      <span className="w-16 text-[12px] text-pencil">{spread === null ? words.ofUsual : words.ofRecord}</span>
    </p>
  )
}
