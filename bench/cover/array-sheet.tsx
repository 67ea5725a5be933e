'use client'

import { useState } from 'react'
import {
  arrayCsv,
  arrayGroupings,
  arrayRows,
  type ArrayGrouping,
  type ArrayRow,
} from '@/core/readers/array-table'
import { paperSvg } from '@/core/drawing/paper-svg'
import { roofPlan } from '@/core/papers/roof-plan'
import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { offerId } from '@/core/kinds/offer/offer'
import { holdingsIn } from '@/core/stages/structure'
import { modulesFor } from '@/core/stages/world'
import { later } from '@/words/en/later'
import { number, paperOf } from '@/words/format'
import { planLabels } from '@/words/plan-labels'
import { useBench, useHouse, useNumbers, useOption, useSayer, useSite } from '../context'
import { Pills } from '../fields/pills'
import { saveFile } from '../save-file'
import { Sheet } from '../sheet'
import { useTitles } from './use-titles'

const words = later.arrayTable
const head = 'py-1 font-normal text-pencil'

/** Arrays with their modules, power, direction, sun and energy, always as they are now. */
export function ArraySheet() {
  const { session, site: standing, catalogue } = useBench()
  const place = useSite()
  const [house, option] = [useHouse(), useOption()]
  const sayer = useSayer()
  const { numbers, fresh } = useNumbers()
  const [by, setBy] = useState<ArrayGrouping>('array')
  const now = standing()
  const rows = numbers ? arrayRows(now.faces, numbers.summary, by) : []
  const nameOf = useTitles()
  const module = modulesFor({ house, catalogue }).find(
    ({ id }) => id === theOne(option, 'cover', coverId).moduleId,
  )
  const savePlan = () => {
    if (!module) return
    const labels = planLabels(sayer, now, module, {
      address: place.address,
      option: theOne(option, 'offer', offerId).name,
      locale: place.locale,
    })
    const holdings = holdingsIn(now, { house, option, catalogue })
    const drawn = { site: now, place, holdings, nameOf: (id: string) => sayer.name(id) }
    saveFile(
      paperSvg(roofPlan(drawn, place, paperOf(place.locale), labels)),
      'roof-plan.svg',
      'image/svg+xml',
    )
  }
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <span className="text-pencil">{words.by}</span>
        <div className="flex-1">
          <Pills
            label={words.by}
            value={by}
            choices={arrayGroupings.map((grouping) => [grouping, words.groupings[grouping]] as const)}
            onChoose={setBy}
          />
        </div>
        <button type="button" className="button" disabled={!module} onClick={savePlan}>
          {later.plan.save}
        </button>
        <button
          type="button"
          className="button"
          disabled={rows.length === 0 || !fresh}
          onClick={() => saveFile(arrayCsv(rows, nameOf), 'arrays.csv', 'text/csv')}
        >
          {words.csv}
        </button>
      </div>
      {rows.length === 0 ? (
        <p>{words.none}</p>
      ) : (
        <div className={fresh ? '' : 'opacity-60'}>
          <Table rows={rows} nameOf={nameOf} />
          <p className="quiet mt-2">{words.note}</p>
        </div>
      )}
    </Sheet>
  )
}

function Table({
  rows,
  nameOf,
}: {
  readonly rows: readonly ArrayRow[]
  readonly nameOf: (id: string) => string
}) {
  const { columns } = words
  const modules = rows.reduce((sum, row) => sum + row.modules, 0)
  const [powerKw, kwh] = (['powerKw', 'kwh'] as const).map((field) =>
    rows.reduce((sum, row) => sum + row[field], 0),
  ) as [number, number]
  const sunAccess =
    modules === 0 ? null : rows.reduce((sum, row) => sum + (row.sunAccess ?? 0) * row.modules, 0) / modules
  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-line">
          <th className={`${head} text-left`}>{columns.name}</th>
          {(['modules', 'power', 'tilt', 'azimuth', 'access', 'kwh', 'each'] as const).map((column) => (
            <th key={column} className={`${head} text-right`}>
              {columns[column]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <Line key={row.arrayIds.join()} name={row.arrayIds.map(nameOf).join(' + ')} row={row} />
        ))}
      </tbody>
      <tfoot className="font-semibold">
        <Line
          name={words.total}
          row={{ modules, powerKw, kwh, sunAccess, tiltDeg: null, azimuthDeg: null }}
        />
      </tfoot>
    </table>
  )
}

function Line({
  name,
  row: { modules, powerKw, tiltDeg, azimuthDeg, sunAccess, kwh },
}: {
  readonly name: string
  readonly row: Omit<ArrayRow, 'arrayIds' | 'tiltDeg'> & { readonly tiltDeg: number | null }
}) {
  const site = useSite()
  const cells = [
    number(modules, site),
    number(powerKw, site, 2),
    tiltDeg === null ? '' : `${number(tiltDeg, site, 1)}°`,
    azimuthDeg === null ? '' : `${number(azimuthDeg, site)}°`,
    sunAccess === null ? '–' : `${number(sunAccess * 100, site, 1)} %`,
    number(kwh, site),
    powerKw === 0 ? '–' : number(kwh / powerKw, site),
  ]
  return (
    <tr className="border-b border-line/60">
      <th scope="row" className="py-1 text-left font-normal">
        {name}
      </th>
      {cells.map((cell, i) => (
        <td key={i} className="text-right">
          {cell}
        </td>
      ))}
    </tr>
  )
}
