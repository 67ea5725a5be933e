'use client'

import { type ModuleType } from '@/core/electrical/catalogue'
import { efficiency, moduleFigures, pricePerW, type ModuleFigure } from '@/core/electrical/module-list'
import { formatLength, formatWeight } from '@/core/model/units'
import { later } from '@/words/en/later'
import { money, number } from '@/words/format'
import { useSayer, useSite } from '../context'

const words = later.catalogue

interface Sort {
  readonly by: ModuleFigure
  readonly down: boolean
}

/** Modules one below the other, sorted by the column whose head was pressed. */
export function ModuleTable({
  modules,
  ownIds,
  chosenId,
  sort,
  onSort,
  ticked,
  mostTicked,
  onTick,
  onOpen,
  onChoose,
}: {
  readonly modules: readonly ModuleType[]
  /** Those that the job has brought itself. */
  readonly ownIds: readonly string[]
  readonly chosenId: string
  readonly sort: Sort
  readonly onSort: (sort: Sort) => void
  readonly ticked: readonly string[]
  readonly mostTicked: number
  readonly onTick: (ids: readonly string[]) => void
  readonly onOpen: (id: string) => void
  readonly onChoose: (id: string) => void
}) {
  const sayer = useSayer()
  const tick = (id: string, on: boolean) =>
    onTick(on ? [...ticked, id] : ticked.filter((other) => other !== id))
  return (
    <table className="w-full text-[13px]">
      <thead>
        <tr className="border-b border-line text-left">
          <td className="w-6" />
          {moduleFigures.map((figure) => (
            <th
              key={figure}
              aria-sort={sort.by === figure ? (sort.down ? 'descending' : 'ascending') : 'none'}
              className={`font-normal ${figure === 'name' ? '' : 'text-right'}`}
            >
              <button
                type="button"
                className="cursor-pointer py-1 text-pencil hover:text-ink"
                onClick={() =>
                  onSort({ by: figure, down: sort.by === figure ? !sort.down : figure !== 'name' })
                }
              >
                {words.columns[figure]}
                <span aria-hidden>{sort.by === figure ? (sort.down ? ' ↓' : ' ↑') : ''}</span>
              </button>
            </th>
          ))}
          <td />
        </tr>
      </thead>
      <tbody>
        {modules.map((module) => (
          <tr
            key={module.id}
            className={`border-b border-line/60 ${module.id === chosenId ? 'bg-verdigris-soft' : ''}`}
          >
            <td>
              <input
                type="checkbox"
                aria-label={sayer.say(words.compare, { module: module.name })}
                checked={ticked.includes(module.id)}
                disabled={!ticked.includes(module.id) && ticked.length >= mostTicked}
                onChange={(event) => tick(module.id, event.target.checked)}
              />
            </td>
            <Figures module={module} isOwn={ownIds.includes(module.id)} onOpen={() => onOpen(module.id)} />
            <td className="text-right">
              {module.id === chosenId ? (
                <span className="text-pencil">{words.chosen}</span>
              ) : (
                <button
                  type="button"
                  aria-label={sayer.say(words.chooseThis, { module: module.name })}
                  className="cursor-pointer text-verdigris hover:underline"
                  onClick={() => onChoose(module.id)}
                >
                  {words.choose}
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function Figures({
  module,
  isOwn,
  onOpen,
}: {
  readonly module: ModuleType
  readonly isOwn: boolean
  readonly onOpen: () => void
}) {
  const site = useSite()
  const { units, locale } = site
  const length = (metres: number) => formatLength(metres, units, locale)
  return (
    <>
      <td className="py-1">
        <button type="button" className="cursor-pointer text-left hover:underline" onClick={onOpen}>
          {module.name}
        </button>
        {isOwn && <span className="quiet ml-1">{words.own}</span>}
      </td>
      <td className="text-right whitespace-nowrap">{number(module.powerW, site)} W</td>
      <td className="text-right whitespace-nowrap">
        {length(module.lengthM)} × {length(module.widthM)}
      </td>
      <td className="text-right whitespace-nowrap">{number(efficiency(module) * 100, site, 1)} %</td>
      <td className="text-right whitespace-nowrap">{number(module.powerPerK * 100, site, 2)} %</td>
      <td className="text-right whitespace-nowrap">
        {module.weightKg === undefined ? words.unsaid : formatWeight(module.weightKg, units, locale)}
      </td>
      <td className="text-right whitespace-nowrap">{money(module.price, site)}</td>
      <td className="text-right whitespace-nowrap">{money(pricePerW(module), site, 2)}</td>
    </>
  )
}
