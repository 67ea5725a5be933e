'use client'

import { useState, type DragEvent } from 'react'
import { Fault } from '@/core/model/fault'
import { largestWeatherBytes } from '@/core/weather/text'
import { columnUnits, isMeasured, type ColumnRole, type CsvColumn } from '@/core/weather/csv-columns'
import { type CsvMapping } from '@/core/weather/csv-table'
import { type WeatherPlace } from '@/core/weather/read-weather'
import { greatCircleM } from '@/core/weather/station'
import { ownStationId } from '@/core/weather/own-weather'
import { standardOffsetHours } from '@/core/model/local-clock'
import { modelYear } from '@/core/model/model-year'
import { type OpenedWeather } from '@/workers/weather-messages'
import { useBench, useSite } from '../context'
import { months, number } from '../format'
import { sendWeather } from '../requests'
import { Sheet } from '../sheet'
import { houseId } from '../store/documents'
import { toast } from '../store/session'

const roleNames: Readonly<Record<ColumnRole, string>> = {
  ignore: 'leave out',
  time: 'date and time',
  date: 'date',
  clock: 'time of day',
  year: 'year',
  month: 'month',
  day: 'day',
  hour: 'hour',
  minute: 'minute',
  ghi: 'global, horizontal',
  dni: 'beam, normal',
  dhi: 'diffuse, horizontal',
  temperature: 'air temperature',
  wind: 'wind speed',
  albedo: 'albedo',
  'snow-depth': 'snow depth',
}

/** Choosing a weather file, seeing what it holds, saying what its columns mean, and taking it for the job. */
export function ImportSheet() {
  const { session, desk, documents, stations } = useBench()
  const site = useSite()
  const [name, setName] = useState('')
  const [opened, setOpened] = useState<OpenedWeather | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const close = () => session.setState({ dialog: null })
  const place = (of: string): WeatherPlace => ({
    name: of.replace(/\.[^.]+$/, '').slice(0, 80),
    latitudeDeg: site.latitudeDeg,
    longitudeDeg: site.longitudeDeg,
    elevationM: site.elevationM,
    timeZoneHours: standardOffsetHours(site.timeZone, modelYear),
  })
  const guard = async (work: () => Promise<void>) => {
    setBusy(true)
    setWrong(null)
    try {
      await work()
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setWrong(error.message)
    } finally {
      setBusy(false)
    }
  }
  const open = (file: File) =>
    guard(async () => {
      setOpened(null)
      setName(file.name)
      if (file.size > largestWeatherBytes)
        throw new Fault(
          'too-large',
          `It has ${Math.round(file.size / 1e6)} MB; a weather file may have at most ${largestWeatherBytes / 1e6} MB.`,
        )
      const bytes = await file.arrayBuffer()
      const { opened: found } = await desk.ask('opened', { type: 'open', bytes, place: place(file.name) }, [
        bytes,
      ])
      setOpened(found)
    })
  const map = (mapping: CsvMapping) =>
    guard(async () => {
      const request = { type: 'map', mapping, place: opened?.reading?.place ?? place(name) } as const
      setOpened((await desk.ask('opened', request)).opened)
    })
  const take = () =>
    guard(async () => {
      const { csv } = await desk.ask('table', { type: 'table' })
      const answer = await sendWeather(csv)
      const id = ownStationId(answer.id)
      const { latitudeDeg, longitudeDeg, elevationM, name: called } = opened?.reading?.place ?? place(name)
      stations.add({
        id,
        name: called,
        elevationM,
        distanceM: greatCircleM(site.latitudeDeg, site.longitudeDeg, latitudeDeg, longitudeDeg),
        yearSpread: null,
        own: true,
      })
      documents.set('Weather file', houseId, site.id, { stationId: id })
      toast(session, `${name} is now the weather of this job.`, true)
      close()
    })
  return (
    <Sheet title="Import weather" onClose={close}>
      <FileField name={name} onFile={(file) => void open(file)} />
      {busy && <p className="quiet mt-2">Reading …</p>}
      {wrong !== null && (
        <p role="alert" className="mt-2 rounded-md bg-clay-soft p-2 text-clay">
          {name ? `${name}: ` : ''}
          {wrong}
        </p>
      )}
      {opened?.fault && (
        <p role="alert" className="mt-2 rounded-md bg-clay-soft p-2 text-clay">
          {opened.fault.message}
        </p>
      )}
      {opened?.mapping && (
        <MappingTable opened={opened} mapping={opened.mapping} onMap={(m) => void map(m)} />
      )}
      {opened?.reading && <Found opened={opened} onMap={(m) => void map(m)} />}
      {opened && (
        <div className="mt-4 flex items-center justify-end gap-2">
          <p className="quiet flex-1">
            The job stays as it is until you take the file. Undo brings the old weather back.
          </p>
          <button type="button" className="button" onClick={close}>
            Cancel
          </button>
          <button
            type="button"
            className="button button-main"
            disabled={!opened.reading || busy}
            onClick={() => void take()}
          >
            Take this weather
          </button>
        </div>
      )}
    </Sheet>
  )
}

function FileField({ name, onFile }: { readonly name: string; readonly onFile: (file: File) => void }) {
  const drop = (event: DragEvent) => {
    event.preventDefault()
    const file = event.dataTransfer.files[0]
    if (file) onFile(file)
  }
  return (
    <label
      className="block cursor-pointer rounded-lg border border-dashed border-pencil px-4 py-4 text-center focus-within:border-verdigris hover:bg-fold"
      onDragOver={(event) => event.preventDefault()}
      onDrop={drop}
    >
      <span className="font-semibold text-verdigris">{name || 'Choose a file'}</span>
      <span className="quiet block">
        EPW, or a table of hours or parts of them as CSV; drop it here. At most {largestWeatherBytes / 1e6}{' '}
        MB.
      </span>
      <input
        type="file"
        className="sr-only"
        accept=".epw,.csv,.txt,.tsv,.dat"
        aria-label="Weather file"
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) onFile(file)
          event.target.value = ''
        }}
      />
    </label>
  )
}

function MappingTable({
  opened,
  mapping,
  onMap,
}: {
  readonly opened: OpenedWeather
  readonly mapping: CsvMapping
  readonly onMap: (mapping: CsvMapping) => void
}) {
  const setColumn = (c: number, column: CsvColumn) =>
    onMap({
      ...mapping,
      // A role stands once: who had it before is left out.
      columns: mapping.columns.map((old, k) =>
        k === c
          ? column
          : old.role === column.role && column.role !== 'ignore'
            ? { role: 'ignore', unit: null }
            : old,
      ),
    })
  return (
    <section aria-label="Columns" className="mt-3">
      <div className="overflow-x-auto">
        <table className="border-collapse text-[12px]">
          <thead>
            <tr>
              {opened.headings.map((heading, c) => {
                const column = mapping.columns[c] ?? { role: 'ignore', unit: null }
                const { role } = column
                return (
                  <th key={c} scope="col" className="border border-line p-1 text-left align-top font-normal">
                    <span className="block max-w-36 truncate font-semibold" title={heading}>
                      {heading}
                    </span>
                    <select
                      aria-label={`What “${heading}” holds`}
                      className={`field mt-1 block w-36 cursor-pointer ${role === 'ignore' ? 'text-pencil' : ''}`}
                      value={role}
                      onChange={(event) => {
                        const next = event.target.value as ColumnRole
                        setColumn(c, { role: next, unit: isMeasured(next) ? columnUnits[next][0] : null })
                      }}
                    >
                      {Object.entries(roleNames).map(([value, label]) => (
                        <option key={value} value={value}>
                          {label}
                        </option>
                      ))}
                    </select>
                    {isMeasured(role) && (
                      <select
                        aria-label={`Unit of “${heading}”`}
                        className="field mt-1 block w-36 cursor-pointer"
                        value={column.unit ?? columnUnits[role][0]}
                        onChange={(event) => {
                          const unit = columnUnits[role].find((u) => u === event.target.value)
                          setColumn(c, { role, unit: unit ?? null })
                        }}
                      >
                        {columnUnits[role].map((unit) => (
                          <option key={unit} value={unit}>
                            {unit}
                          </option>
                        ))}
                      </select>
                    )}
                  </th>
                )
              })}
            </tr>
          </thead>
          <tbody>
            {opened.sample.map((row, r) => (
              <tr key={r}>
                {opened.headings.map((_, c) => (
                  <td
                    key={c}
                    className={`border border-line px-1.5 py-0.5 whitespace-nowrap ${mapping.columns[c]?.role === 'ignore' ? 'text-pencil' : ''}`}
                  >
                    {row[c] ?? ''}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="mt-2 flex flex-wrap gap-x-5 gap-y-1.5">
        <Choice
          label="Decimal mark"
          value={mapping.decimal}
          choices={[
            ['.', 'point'],
            [',', 'comma'],
          ]}
          onChoose={(decimal) => onMap({ ...mapping, decimal })}
        />
        <Choice
          label="Dates as"
          value={mapping.dayFirst ? 'day' : 'month'}
          choices={[
            ['day', 'day, month, year'],
            ['month', 'month, day, year'],
          ]}
          onChoose={(first) => onMap({ ...mapping, dayFirst: first === 'day' })}
        />
        <Choice
          label="A stamp says when its interval"
          value={mapping.stamp}
          choices={[
            ['start', 'begins'],
            ['end', 'ends'],
          ]}
          onChoose={(stamp) => onMap({ ...mapping, stamp })}
        />
        <Choice
          label="Clock"
          value={String(mapping.timeZoneHours)}
          choices={zones.map((hours) => [String(hours), zoneName(hours)])}
          onChoose={(hours) => onMap({ ...mapping, timeZoneHours: Number(hours) })}
        />
      </div>
    </section>
  )
}

/** Whole, half and quarter hours in use as standard times. */
const zones = [
  -12, -11, -10, -9.5, -9, -8, -7, -6, -5, -4, -3.5, -3, -2, -1, 0, 1, 2, 3, 3.5, 4, 4.5, 5, 5.5, 5.75, 6,
  6.5, 7, 8, 8.75, 9, 9.5, 10, 10.5, 11, 12, 12.75, 13, 14,
]
const zoneName = (hours: number) => {
  const whole = Math.floor(Math.abs(hours))
  const minutes = Math.round((Math.abs(hours) - whole) * 60)
  return `UTC${hours < 0 ? '−' : '+'}${whole}${minutes > 0 ? `:${String(minutes).padStart(2, '0')}` : ''}`
}

function Choice<T extends string>({
  label,
  value,
  choices,
  onChoose,
}: {
  readonly label: string
  readonly value: T
  readonly choices: readonly (readonly [T, string])[]
  readonly onChoose: (value: T) => void
}) {
  return (
    <label className="flex items-center gap-1.5">
      <span className="text-pencil">{label}</span>
      <select
        className="field w-auto cursor-pointer"
        value={value}
        onChange={(event) => onChoose(event.target.value as T)}
      >
        {choices.map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </label>
  )
}

function Found({
  opened,
  onMap,
}: {
  readonly opened: OpenedWeather
  readonly onMap: (mapping: CsvMapping) => void
}) {
  const site = useSite()
  const { reading, mapping } = opened
  if (!reading) return null
  const { place } = reading
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
              ['Mean air', number(reading.meanC, site, 1), '°C'],
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
          {reading.problems.length === 0 ? 'Nothing looks wrong' : 'What was noticed'}
        </h3>
        <ul>
          {reading.problems.map((problem) => (
            <li key={problem.code} className="flex gap-2 py-0.5">
              <span aria-hidden className={problem.severity === 'warning' ? 'text-clay' : 'text-pencil'}>
                {problem.severity === 'warning' ? '▲' : '·'}
              </span>
              <span>
                <span className="sr-only">{problem.severity}: </span>
                {problem.message}
              </span>
            </li>
          ))}
        </ul>
        {mapping && reading.bestShiftMinutes !== 0 && (
          <button
            type="button"
            className="button mt-2"
            onClick={() =>
              onMap({ ...mapping, shiftMinutes: mapping.shiftMinutes + reading.bestShiftMinutes })
            }
          >
            Move all values {Math.abs(reading.bestShiftMinutes)} minutes{' '}
            {reading.bestShiftMinutes > 0 ? 'later' : 'earlier'}
          </button>
        )}
        {mapping && mapping.shiftMinutes !== 0 && (
          <p className="quiet mt-2">
            Moved by {mapping.shiftMinutes} minutes.{' '}
            <button
              type="button"
              className="cursor-pointer text-verdigris hover:underline"
              onClick={() => onMap({ ...mapping, shiftMinutes: 0 })}
            >
              Leave them where they were
            </button>
          </p>
        )}
      </div>
    </section>
  )
}
