'use client'

import { type InverterType, type ModuleType, type OptimizerType } from '@/core/electrical/catalogue'
import { withoutInput } from '@/core/electrical/edit-strings'
import { inputName, stringPositions } from '@/core/electrical/side-by-side'
import { branchLimitA, microCurrentA } from '@/core/electrical/electronics'
import { devicesOnBranches } from '@/core/electrical/unit-rules'
import { phaseVoltageV } from '@/core/cables/circuit'
import { later } from '@/words/en/later'
import { useState } from 'react'
import { useBench, useNumbers, useSayer, useSite } from '../context'
import { StringActions, StringsActions } from './string-actions'
import { StringFacts } from './string-facts'

const words = later.wiring

interface Told {
  readonly id: string
  readonly byHand: boolean
  readonly panelIds: readonly string[]
  readonly about: string
  readonly figures: readonly { readonly said: string; readonly bad: boolean }[]
}

/**
 * Strings or branches with the figures that their limits are about; pointed at, their modules light up, pressed, they
 * show what can be done with them.
 */
export function StringsList(props: {
  readonly inverter: InverterType
  readonly optimizer: OptimizerType | null
  readonly module: ModuleType
}) {
  const { session } = useBench()
  const { numbers, fresh } = useNumbers()
  const [open, setOpen] = useState<string | null>(null)
  const { head, told } = useTold(props)
  const { micro, mppInputs } = props.inverter
  const isBranches = micro !== undefined
  const all = numbers?.summary.strings ?? []
  const strings = isBranches ? all.map(withoutInput) : all
  const beside = isBranches ? null : { inverters: numbers?.summary.inverters ?? 1, mppInputs }
  const names = beside && stringPositions(all, beside)
  const opened = strings.find(({ id }) => id === open)
  return (
    <>
      <h3 className="quiet mt-2">{head}</h3>
      {numbers && told.length === 0 && <p className="quiet">{words.none}</p>}
      <StringsActions strings={strings} isBranches={isBranches} />
      <ul className={fresh ? '' : 'opacity-60'}>
        {told.map(({ id, panelIds, about, figures, byHand }) => (
          <li key={id}>
            <button
              type="button"
              aria-expanded={open === id}
              onClick={() => setOpen(open === id ? null : id)}
              className="flex w-full cursor-pointer items-baseline gap-2 rounded px-2 py-0.5 text-left hover:bg-fold"
              onMouseEnter={() => session.setState({ lit: panelIds })}
              onMouseLeave={() => session.setState({ lit: [] })}
              onFocus={() => session.setState({ lit: panelIds })}
              onBlur={() => session.setState({ lit: [] })}
            >
              <span className="font-medium">{id}</span>
              <span className="quiet flex-1">
                {about}
                {byHand && <>, {words.byHand}</>}
              </span>
              {figures.map(({ said, bad }, k) => (
                <span key={k} className={bad ? 'text-clay' : k > 0 ? 'text-pencil' : ''}>
                  {said}
                </span>
              ))}
            </button>
            {opened?.id === id && (
              <>
                <StringFacts name={names?.get(id)} string={opened} module={props.module} />
                <StringActions string={opened} strings={strings} beside={beside} />
              </>
            )}
          </li>
        ))}
      </ul>
    </>
  )
}

function useTold({ inverter, optimizer, module }: Parameters<typeof StringsList>[0]): {
  head: string
  told: Told[]
} {
  const sayer = useSayer()
  const site = useSite()
  const { numbers } = useNumbers()
  const { strings = [], devices = [], inverters = 1 } = numbers?.summary ?? {}
  const beside = { inverters, mppInputs: inverter.mppInputs }
  const volts = (value: number) => sayer.written({ value, unit: 'V', digits: 0 })
  const amperes = (value: number, digits = 1) => sayer.written({ value, unit: 'A', digits })
  const kilowatts = (value: number) => sayer.written({ value: value / 1000, unit: 'kW', digits: 2 })
  if (inverter.micro) {
    const limitA = branchLimitA(inverter.micro.branchBreakerA)
    const counts = devicesOnBranches(strings, devices)
    const each = microCurrentA(inverter, phaseVoltageV(site))
    return {
      head: sayer.say(words.branches, { limit: amperes(limitA, 0) }),
      told: strings.map(({ id, panelIds, drawn }, b) => {
        const count = counts[b] ?? 0
        return {
          id,
          panelIds,
          byHand: drawn !== undefined,
          about: sayer.say(count === panelIds.length ? words.branch : words.branchOfMore, {
            devices: count,
            modules: panelIds.length,
          }),
          figures: [{ said: amperes(count * each), bad: count * each > limitA }],
        }
      }),
    }
  }
  const hung = (modules: number, input: number) =>
    input < 0
      ? sayer.say(words.noInput, { modules })
      : sayer.say(words.input, { modules, input: inputName(input, beside) })
  if (optimizer)
    return {
      head: sayer.say(words.optimized, { limit: kilowatts(optimizer.stringPowerW) }),
      told: strings.map(({ id, input, panelIds, drawn }) => {
        const powerW = panelIds.length * module.powerW
        return {
          id,
          panelIds,
          byHand: drawn !== undefined,
          about: hung(panelIds.length, input),
          figures: [{ said: kilowatts(powerW), bad: powerW > optimizer.stringPowerW }],
        }
      }),
    }
  return {
    head: sayer.say(words.strings, { highest: volts(inverter.highestV), lowest: volts(inverter.mppLowV) }),
    told: strings.map(({ id, input, panelIds, drawn, coldV, hotV }) => ({
      id,
      panelIds,
      byHand: drawn !== undefined,
      about: hung(panelIds.length, input),
      figures: [
        { said: volts(coldV), bad: coldV > inverter.highestV },
        { said: volts(hotV), bad: hotV < inverter.mppLowV },
      ],
    })),
  }
}
