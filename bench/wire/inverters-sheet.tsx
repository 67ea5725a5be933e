'use client'

import { theOne } from '@/core/kinds/documents'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { type InverterWorth } from '@/core/readers/inverter-worth'
import { later } from '@/words/en/later'
import { useBench, useCatalogue, useOption, useSayer, useSession } from '../context'
import { Sheet } from '../sheet'
import { FigureHeads, RankedRow } from './ranked-row'
import { useRanking } from './use-ranking'

const words = later.inverters

/** The inverters of the catalogue, each tried in this option, the best first; one press takes one. */
export function InvertersSheet() {
  const { session } = useBench()
  const { inverters } = useCatalogue()
  const { rows: known, all, fresh } = useRanking('inverters')
  const sayer = useSayer()
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet mb-2" role="status">
        {fresh && all === 0
          ? words.none
          : fresh && known.length === all
            ? words.note
            : sayer.say(words.progress, {
                done: fresh ? known.length : 0,
                all: inverters.length,
              })}
      </p>
      {known.length > 0 && (
        <div className={fresh ? '' : 'opacity-60'}>
          <Ranked inverters={known} />
        </div>
      )}
    </Sheet>
  )
}

function Ranked({ inverters }: { readonly inverters: readonly InverterWorth[] }) {
  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-line">
          <th className="py-1 text-left font-normal text-pencil">{words.name}</th>
          <FigureHeads
            heads={(['power', 'ratio', 'yield', 'clipped', 'price', 'payback', 'npv'] as const).map(
              (column) => words[column],
            )}
          />
          <td />
        </tr>
      </thead>
      <tbody>
        {inverters.map((inverter) => (
          <Candidate key={inverter.id} inverter={inverter} />
        ))}
      </tbody>
    </table>
  )
}

function Candidate({ inverter }: { readonly inverter: InverterWorth }) {
  const { documents } = useBench()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const sayer = useSayer()
  const { id, breaks } = inverter
  const isChosen = theOne(option, 'electrical', electricalId).inverterId === id
  const one = sayer.name(id)
  const name = inverter.count > 1 ? sayer.say(words.many, { count: inverter.count, name: one }) : one
  const cells = [
    sayer.written({ value: inverter.acPowerW / 1000, unit: 'kW', digits: 1 }),
    sayer.written({ value: inverter.dcAc, unit: 'ratio', digits: 2 }),
    sayer.written({ value: inverter.annualKwh, unit: 'kWh', digits: 0 }),
    sayer.written({ value: inverter.clippedKwh, unit: 'kWh', digits: 0 }),
    sayer.written({ value: inverter.price, unit: 'money', digits: 0 }),
    inverter.paybackYears === null
      ? words.never
      : sayer.written({ value: inverter.paybackYears, unit: 'years', digits: 1 }),
    sayer.written({ value: inverter.npv, unit: 'money', digits: 0 }),
  ]
  return (
    <RankedRow
      name={
        <>
          {name}
          {inverter.optimizerId !== null && (
            <span className="quiet block">
              {sayer.say(words.with, { name: sayer.name(inverter.optimizerId) })}
            </span>
          )}
        </>
      }
      breaks={breaks}
      figures={cells}
      take={
        isChosen
          ? words.chosen
          : {
              said: words.take,
              label: sayer.say(words.takes, { name }),
              isReady: true,
              onTake: () => documents.set('Inverter', optionId, electricalId, { inverterId: id }),
            }
      }
    />
  )
}
