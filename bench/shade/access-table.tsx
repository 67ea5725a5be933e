'use client'

import { useState } from 'react'
import { accessCsv, accessIn, accessOver, type HoursByMonth } from '@/core/readers/part-light'
import { cssColour, sunMapColour, textOn } from '@/stage/palette'
import { later } from '@/words/en/later'
import { monthNames, number } from '@/words/format'
import { usePart, useShade, useSayer, useSite } from '../context'
import { Pills } from '../fields/pills'
import { saveFile } from '../save-file'

const words = later.shade
const lights = [
  ['all', words.all],
  ['beam', words.beam],
  ['sky', words.diffuse],
] as const

const hours = Array.from({ length: 24 }, (_, hour) => hour)
const months = monthNames('en')

/** What part of the light is left in each hour of each month on what is selected. */
export function AccessTable() {
  const site = useSite()
  const sayer = useSayer()
  const part = usePart()
  const known = useShade()
  const [which, setWhich] = useState<(typeof lights)[number][0]>('all')
  const light = known?.light
  const percent = (of: HoursByMonth) => ({ value: accessOver(of), unit: 'share', digits: 1 }) as const
  return (
    <section aria-labelledby="sun-access">
      <div className="mb-1 flex flex-wrap items-baseline gap-3">
        <h3 id="sun-access" className="flex-1 text-[15px] font-semibold">
          {words.access}
        </h3>
        <Pills label={words.showing} value={which} choices={lights} onChoose={setWhich} />
        {light && (
          <button
            type="button"
            className="button h-7"
            onClick={() => saveFile(accessCsv(light), 'sun-access.csv', 'text/csv')}
          >
            {words.csv}
          </button>
        )}
      </div>
      {!light ? (
        <p className="quiet">{known ? words.none : words.computing}</p>
      ) : (
        <div className={known.fresh ? '' : 'opacity-60'}>
          <p className="quiet mb-1">
            {sayer.say(words.accessOf, {
              what: sayer.say(part.length === 0 ? words.whole : words.modules, {
                n: light.modules,
              }),
              year: percent(light.all),
              beam: percent(light.beam),
              sky: percent(light.sky),
            })}
          </p>
          <Table
            of={light[which]}
            sunny={sunnyHours(light.all)}
            format={(share) => number(share * 100, site)}
          />
        </div>
      )}
    </section>
  )
}

/** Hours in which the sun is up in some month. */
const sunnyHours = (of: HoursByMonth) =>
  hours.filter((hour) => months.some((_, month) => accessIn(of, month, hour) !== null))

function Table({
  of,
  sunny,
  format,
}: {
  readonly of: HoursByMonth
  readonly sunny: readonly number[]
  readonly format: (share: number) => string
}) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full table-fixed border-collapse text-[12px]" aria-labelledby="sun-access">
        <thead>
          <tr className="text-pencil">
            <th scope="col" className="w-12 py-0.5 text-left font-normal">
              {words.hour}
            </th>
            {months.map((month) => (
              <th key={month} scope="col" className="py-0.5 font-normal">
                {month}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sunny.map((hour) => (
            <tr key={hour}>
              <th scope="row" className="text-left font-normal text-pencil">
                {hour}:00
              </th>
              {months.map((name, month) => {
                const share = accessIn(of, month, hour)
                const colour = share === null ? null : sunMapColour(share)
                return (
                  <td
                    key={name}
                    className="border border-card py-px text-center"
                    style={colour ? { background: cssColour(colour), color: textOn(colour) } : undefined}
                  >
                    {share === null ? '' : format(share)}
                  </td>
                )
              })}
            </tr>
          ))}
          <tr className="font-semibold">
            <th scope="row" className="py-1 text-left">
              {words.month}
            </th>
            {months.map((name, month) => (
              <td key={name} className="py-1 text-center">
                {format(accessOver(of, month))}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  )
}
