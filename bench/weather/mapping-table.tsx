'use client'

import { columnUnits, isMeasured, type ColumnRole, type CsvColumn } from '@/core/weather/csv-columns'
import { type CsvMapping } from '@/core/weather/csv-table'
import { type OpenedWeather } from '@/workers/weather-messages'
import { zoneName, zones } from './time-zones'

const roleNames: Readonly<Record<ColumnRole, string>> = {
  ignore: 'ignore',
  time: 'date and time',
  date: 'date',
  clock: 'time of day',
  year: 'year',
  month: 'month',
  day: 'day',
  hour: 'hour',
  minute: 'minute',
  ghi: 'global horizontal',
  dni: 'beam normal',
  dhi: 'diffuse horizontal',
  temperature: 'air temperature',
  wind: 'wind speed',
  albedo: 'albedo',
  'snow-depth': 'snow depth',
}

/** The first rows of a table, and under each heading what it holds and in which unit. */
export function MappingTable({
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
                      aria-label={`Content of “${heading}”`}
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
          label="Date order"
          value={mapping.dayFirst ? 'day' : 'month'}
          choices={[
            ['day', 'day, month, year'],
            ['month', 'month, day, year'],
          ]}
          onChoose={(first) => onMap({ ...mapping, dayFirst: first === 'day' })}
        />
        <Choice
          label="Timestamps mark the interval’s"
          value={mapping.stamp}
          choices={[
            ['start', 'start'],
            ['end', 'end'],
          ]}
          onChoose={(stamp) => onMap({ ...mapping, stamp })}
        />
        <Choice
          label="Time zone"
          value={String(mapping.timeZoneHours)}
          choices={zones.map((hours) => [String(hours), zoneName(hours)])}
          onChoose={(hours) => onMap({ ...mapping, timeZoneHours: Number(hours) })}
        />
      </div>
    </section>
  )
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
