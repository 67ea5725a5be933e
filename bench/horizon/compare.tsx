'use client'

import { useMemo } from 'react'
import { ofKind } from '@/core/kinds/documents'
import { shadeSources } from '@/core/kinds/site/site'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useBench, useHouse, useShade, useSayer, useSite } from '../context'
import { Pills } from '../fields/pills'
import { houseId } from '../store/documents'
import { eyeAt, hoursAt } from './at-reading'

const words = later.readings
const cell = 'py-1 pl-4 text-right'
const head = 'py-1 pl-4 text-right font-normal'

/** The horizons measured on site beside the model: hours of sun at each, and what either makes of the option. */
export function ReadingsCompared({ summary }: { readonly summary: RunSummary }) {
  const { documents, session, site: standing } = useBench()
  const house = useHouse()
  const site = useSite()
  const sayer = useSayer()
  const shade = useShade()
  const built = standing()
  const readings = ofKind(house, 'reading')
  const hours = useMemo(
    () => hoursAt(ofKind(house, 'reading'), built, site, summary.timeZoneHours),
    [house, built, site, summary.timeZoneHours],
  )
  if (readings.length === 0) return null
  const both = shade?.byBoth
  const rows = both && [
    { label: words.shadeLoss, model: both.model.shadeKwh, measured: both.readings.shadeKwh },
    { label: words.yield, model: both.model.yieldKwh, measured: both.readings.yieldKwh },
  ]
  /** Of the figures as they are shown, so that they add up. */
  const difference = (model: number, measured: number) => {
    const value = Math.round(measured) - Math.round(model)
    return `${value > 0 ? '+' : ''}${number(value, site)}`
  }
  return (
    <section aria-labelledby="readings-compared">
      <div className="mb-1 flex flex-wrap items-baseline gap-3">
        <h3 id="readings-compared" className="flex-1 text-[15px] font-semibold">
          {words.compared}
        </h3>
        <Pills
          label={later.fields.site.shadeFrom}
          value={site.shadeFrom}
          choices={shadeSources.map((value) => [value, words.from[value]] as const)}
          onChoose={(shadeFrom) =>
            documents.set(later.fields.site.shadeFrom, houseId, site.id, { shadeFrom })
          }
        />
      </div>
      <table className="w-full">
        <thead>
          <tr className="text-[12px] text-pencil">
            <th scope="col" className="py-1 text-left font-normal">
              {words.hours}
            </th>
            <th scope="col" className={head}>
              {words.byModel}
            </th>
            <th scope="col" className={head}>
              {words.byReading}
            </th>
            <th scope="col" className={head}>
              {words.difference}
            </th>
          </tr>
        </thead>
        <tbody>
          {readings.map((reading, k) => {
            const at = hours[k]
            return (
              at && (
                <tr key={reading.id} className="border-t border-line">
                  <th scope="row" className="py-1 text-left font-normal">
                    <button
                      type="button"
                      className="cursor-pointer text-left hover:text-verdigris hover:underline"
                      title={words.lookHint}
                      onClick={() => session.setState({ lookFrom: eyeAt(reading, built) })}
                    >
                      {reading.name}
                    </button>
                  </th>
                  <td className={cell}>{number(at.model, site)} h</td>
                  <td className={cell}>{number(at.measured, site)} h</td>
                  <td className={cell}>{difference(at.model, at.measured)} h</td>
                </tr>
              )
            )
          })}
        </tbody>
        <tbody className={shade?.fresh ? '' : 'opacity-60'}>
          {rows?.map(({ label, model, measured }, k) => (
            <tr key={label} className={`border-t ${k === 0 ? 'border-ink' : 'border-line'}`}>
              <th scope="row" className="py-1 text-left font-normal">
                {label}
              </th>
              <td className={cell}>{number(model, site)} kWh</td>
              <td className={cell}>{number(measured, site)} kWh</td>
              <td className={`${cell} font-semibold`}>{difference(model, measured)} kWh</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet mt-1.5">
        {rows ? '' : `${words.computing} `}
        {sayer.say(words.note, { count: readings.length })}
      </p>
    </section>
  )
}
