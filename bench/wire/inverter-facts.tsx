'use client'

import { type InverterType, type ModuleType, type OptimizerType } from '@/core/electrical/catalogue'
import { inputLimitA } from '@/core/electrical/rules'
import { later } from '@/words/en/later'
import { useNumbers, useSayer } from '../context'

const words = later.wiring

/** What the chosen inverter makes of the modules, each figure with its limit. */
export function InverterFacts({
  inverter,
  optimizer,
  stepDown,
  module,
}: {
  readonly inverter: InverterType
  /** One that makes the volts of its string with the others. */
  readonly optimizer: OptimizerType | null
  /** One that only lowers its module's. */
  readonly stepDown: OptimizerType | null
  readonly module: ModuleType
}) {
  const { numbers, fresh } = useNumbers()
  const sayer = useSayer()
  if (!numbers) return null
  const { powerW, inverters, window, ledger } = numbers.summary
  const clipping = ledger.find((line) => line.id === 'clipping')?.value ?? 0
  const kilowatts = (value: number) => sayer.written({ value: value / 1000, unit: 'kW', digits: 2 })
  const volts = (value: number) => sayer.written({ value, unit: 'V', digits: 0 })
  const amperes = (value: number) => sayer.written({ value, unit: 'A', digits: 1 })
  const ratio = (value: number) => sayer.written({ value, unit: 'ratio', digits: 2 })
  const atMost = (limit: string) => sayer.say(words.atMost, { limit })
  const atLeast = (limit: string) => sayer.say(words.atLeast, { limit })
  const own = optimizer ?? (inverter.micro ? inverter : null)
  const held = own ?? stepDown
  const atModule = optimizer ?? stepDown
  const isMicro = inverter.micro !== undefined
  return (
    <dl className={fresh ? '' : 'opacity-60'}>
      <Row
        label={words.acPower}
        value={
          inverters > 1
            ? sayer.say(words.together, {
                count: inverters,
                each: isMicro
                  ? { value: inverter.acPowerW, unit: 'W', digits: 0 }
                  : { value: inverter.acPowerW / 1000, unit: 'kW', digits: 1 },
                all: kilowatts(inverters * inverter.acPowerW),
              })
            : kilowatts(inverter.acPowerW)
        }
      />
      <Row
        label={isMicro ? words.ratioEach : words.ratio}
        value={ratio(
          isMicro
            ? (module.powerW * inverter.mppInputs) / inverter.acPowerW
            : powerW / (inverters * inverter.acPowerW),
        )}
        limit={atMost(ratio(inverter.highestDcAc))}
      />
      <Row
        label={words.clipping}
        value={sayer.written({ value: Math.abs(clipping), unit: 'kWh', digits: 0 })}
      />
      <Row
        label={isMicro ? words.onBranch : words.stringLength}
        value={
          isMicro ? String(window.most) : sayer.say(words.range, { low: window.fewest, high: window.most })
        }
      />
      {!own && (
        <>
          <Row
            label={words.coldMpp}
            value={volts(window.most * window.coldVmpV)}
            limit={atMost(volts(inverter.mppHighV))}
          />
          <Row
            label={words.current}
            value={amperes(module.iscA)}
            limit={atMost(amperes(inverter.inputCurrentA))}
          />
        </>
      )}
      {held && (
        <>
          <Row label={words.moduleCold} value={volts(window.coldVocV)} limit={atMost(volts(held.highestV))} />
          <Row label={words.moduleHot} value={volts(window.hotVmpV)} limit={atLeast(volts(held.mppLowV))} />
          <Row
            label={words.moduleCurrent}
            value={amperes(module.iscA)}
            limit={atMost(amperes(atModule ? atModule.inputShortCurrentA : inputLimitA(inverter)))}
          />
          {atModule && (
            <Row
              label={words.modulePower}
              value={sayer.written({ value: module.powerW, unit: 'W', digits: 0 })}
              limit={atMost(sayer.written({ value: atModule.powerW, unit: 'W', digits: 0 }))}
            />
          )}
        </>
      )}
    </dl>
  )
}

function Row({
  label,
  value,
  limit,
}: {
  readonly label: string
  readonly value: string
  readonly limit?: string
}) {
  return (
    <div className="flex items-baseline gap-2 py-0.5">
      <dt className="flex-1 text-pencil">{label}</dt>
      <dd className="font-semibold">{value}</dd>
      {limit && <dd className="quiet">{limit}</dd>}
    </div>
  )
}
