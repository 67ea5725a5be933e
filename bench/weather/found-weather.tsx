'use client'

import { type OpenedWeather } from '@/workers/weather-messages'
import { monthNames, number } from '@/words/format'
import { weatherProblem } from '@/words/weather-problem'
import { useSayer, useSite } from '../context'
import { zoneName } from './time-zones'

/** What a file holds once it can be read, what was noticed, and the shift that would set its clock right. */
export function Found({
  opened,
  onShift,
}: {
  readonly opened: OpenedWeather
  readonly onShift: (minutes: number) => void
}) {
  const site = useSite()
  const sayer = useSayer()
  const months = monthNames('en')
  const { reading, shiftMinutes } = opened
  if (!reading) return null
  const { place } = reading
  const better = reading.problems.find((problem) => problem.shiftMinutes !== undefined)?.shiftMinutes ?? 0
  const most = Math.max(...reading.monthlyGhi)
  return (
    <section aria-label="What the file holds" className="mt-4 grid grid-cols-[1fr_1.1fr] gap-5">
      <div>
        <h3 className="font-semibold">{place.name || 'A year of weather'}</h3>
        <p className="quiet">
          {Math.abs(place.latitudeDeg).toFixed(3)}° {place.latitudeDeg < 0 ? 'S' : 'N'},{' '}
          {Math.abs(place.longitudeDeg).toFixed(3)}° {place.longitudeDeg < 0 ? 'W' : 'E'},{' '}
          {number(place.elevationM, site)} m, {zoneName(place.timeZoneHours)}, every {reading.stepMinutes}{' '}
          minutes
        </p>
        <dl className="mt-1">
          {(
            [
              ['Global on the horizontal', number(reading.ghiKwhM2, site), 'kWh/m²'],
              ['Beam, normal', number(reading.dniKwhM2, site), 'kWh/m²'],
              ['Diffuse', number(reading.dhiKwhM2, site), 'kWh/m²'],
              ['Mean air temperature', number(reading.meanC, site, 1), '°C'],
              ['Snow depth', reading.hasSnow ? 'given' : 'not given', ''],
            ] as const
          ).map(([label, value, unit]) => (
            <div key={label} className="flex items-baseline gap-2 py-0.5">
              <dt className="flex-1 text-pencil">{label}</dt>
              <dd className="font-semibold">
                {value} <span className="text-[12px] font-normal text-pencil">{unit}</span>
              </dd>
            </div>
          ))}
        </dl>
        <div className="mt-2 flex h-16 items-end gap-1" role="img" aria-label="Global light by month">
          {reading.monthlyGhi.map((kwh, m) => (
            <div key={months[m]} className="flex flex-1 flex-col items-center">
              <div
                className="w-full bg-straw"
                style={{ height: `${(40 * kwh) / Math.max(1, most)}px` }}
                title={`${months[m]}: ${kwh.toFixed(0)} kWh/m²`}
              />
              <span className="text-[12px] text-pencil">{months[m]?.[0]}</span>
            </div>
          ))}
        </div>
      </div>
      <div>
        <h3 className="font-semibold">
          {reading.problems.length === 0 ? 'No problems found' : 'Problems found'}
        </h3>
        <ul>
          {reading.problems.map((problem) => (
            <li key={problem.code} className="flex gap-2 py-0.5">
              <span aria-hidden className={problem.severity === 'warning' ? 'text-clay' : 'text-pencil'}>
                {problem.severity === 'warning' ? '▲' : '·'}
              </span>
              <span>
                <span className="sr-only">{problem.severity}: </span>
                {weatherProblem(sayer, problem)}
              </span>
            </li>
          ))}
        </ul>
        {better !== 0 && (
          <button type="button" className="button mt-2" onClick={() => onShift(shiftMinutes + better)}>
            Shift all values {Math.abs(better)} minutes {better > 0 ? 'later' : 'earlier'}
          </button>
        )}
        {shiftMinutes !== 0 && (
          <p className="quiet mt-2">
            Shifted by {number(shiftMinutes, site)} minutes.{' '}
            <button
              type="button"
              className="cursor-pointer text-verdigris hover:underline"
              onClick={() => onShift(0)}
            >
              Undo the shift
            </button>
          </p>
        )}
      </div>
    </section>
  )
}
