'use client'

import { useMemo } from 'react'
import { type Tariff } from '@/core/kinds/tariff/tariff'
import { localClock, standardOffsetHours } from '@/core/model/local-clock'
import { modelYear, yearHours, yearStartMs } from '@/core/model/model-year'
import { exportPrices } from '@/core/tariff/export-price'
import { meanBoard } from '@/core/tariff/mean-board'
import { withHolidays } from '@/core/tariff/when'
import { later } from '@/words/en/later'
import { monthNames, moneySign, number } from '@/words/format'
import { useSayer, useSite } from '../context'

const words = later.tariff

/** What a kWh that goes out earns by month and hour of the clock, where a file says it hour by hour. */
export function ExportBoard({ tariff }: { readonly tariff: Tariff }) {
  const site = useSite()
  const sayer = useSayer()
  const { timeZone } = site
  const board = useMemo(() => {
    const start = yearStartMs(standardOffsetHours(timeZone, modelYear))
    const clock = withHolidays(localClock(timeZone, start, 60, yearHours), tariff.holidays, modelYear)
    return meanBoard(exportPrices(tariff, clock), clock)
  }, [tariff, timeZone])
  const all = board.flat()
  const [least, most] = [Math.min(...all), Math.max(...all)]
  const price = (value: number) => number(value, site, 3)
  const shade = (value: number) => (most > least ? (value - least) / (most - least) : 0.5)
  const months = monthNames(site.locale)
  const said = sayer.say(words.hourlyMean, {
    sign: moneySign(site),
    least: price(least),
    most: price(most),
  })
  return (
    <figure className="mt-1">
      <figcaption className="quiet">{said}</figcaption>
      <div role="img" aria-label={said} className="mt-1">
        {board.map((row, month) => (
          <div key={months[month]} className="flex h-3 items-stretch">
            <span className="w-8 shrink-0 text-[10px] leading-3 text-pencil">{months[month]}</span>
            {row.map((value, hour) => (
              <span
                key={hour}
                className="flex-1"
                title={sayer.say(words.hourlyCell, { month: months[month] ?? '', hour, price: price(value) })}
                style={{
                  background: `color-mix(in srgb, var(--tg-straw) ${Math.round(8 + 92 * shade(value))}%, var(--tg-card))`,
                }}
              />
            ))}
          </div>
        ))}
        <div className="flex text-[10px] text-pencil">
          <span className="w-8 shrink-0" />
          {[0, 6, 12, 18].map((hour) => (
            <span key={hour} className="flex-1">
              {hour}
            </span>
          ))}
        </div>
      </div>
    </figure>
  )
}
