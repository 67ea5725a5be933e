'use client'

import { useState } from 'react'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import { priceWith } from '@/core/stages/prices'
import { moduleIn } from '@/core/stages/world'
import { later } from '@/words/en/later'
import { moneySign, number } from '@/words/format'
import { Fact } from '../card/frame'
import { useBench, useHouse, useNumbers, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { lineOf, useTrimming } from './use-trimming'

const words = later.trim

/** Drops modules, the least useful first, by a slider or down to what is typed. */
export function TrimFields() {
  const { catalogue } = useBench()
  const house = useHouse()
  const site = useSite()
  const sayer = useSayer()
  const { numbers, fresh } = useNumbers()
  const [note, setNote] = useState('')
  const trimming = useTrimming()
  if (!trimming) return <p className="quiet">{words.waiting}</p>

  const { option, summary, panels, kept, rule } = trimming
  const count = panels.length
  const design = { house, option, catalogue }
  const { powerW } = moduleIn(design)
  const [made, consumed] = [lineOf(summary, 'yield'), lineOf(summary, 'consumption')]
  const [billNow, billThen] = [lineOf(numbers?.summary, 'bill-now'), lineOf(numbers?.summary, 'bill-then')]
  const kilowatts = (n: number) => `${number((n * powerW) / 1000, site, 2)} kW`
  const priceAt = (n: number) => priceWith(design, n).total
  /** Does it if some number of modules from one to all comes to it; else says how far they go. */
  const reach = (most: boolean, least: boolean, what: (count: number) => string, does: () => void) => {
    setNote(
      most
        ? sayer.say(words.most, { n: count, what: what(count) })
        : least
          ? sayer.say(words.least, { what: what(1) })
          : '',
    )
    if (!most && !least) does()
    return null
  }
  const reachCount = (wanted: number, what: (count: number) => string) =>
    reach(wanted > count, wanted < 1, what, () => trimming.trimTo(wanted))
  return (
    <>
      <input
        type="range"
        aria-label={words.kept}
        aria-valuetext={`${kept} ${sayer.say(words.ofLaid, { n: count })}`}
        min={1}
        max={count}
        value={kept}
        className="mt-1 w-full accent-verdigris"
        onChange={(event) => {
          setNote('')
          trimming.show(Number(event.target.value))
        }}
        onPointerUp={trimming.settle}
        onKeyUp={trimming.settle}
        onBlur={trimming.settle}
      />
      <TextField
        label={words.modules}
        shown={String(kept)}
        unit={sayer.say(words.ofLaid, { n: count })}
        width="short"
        hint={words.hint}
        onType={(text) => reachCount(Math.round(parseNumber(text, site.locale)), String)}
      />
      <TextField
        label={words.power}
        shown={number((kept * powerW) / 1000, site, 2)}
        unit="kW"
        hint={words.hint}
        onType={(text) =>
          reachCount(Math.floor((parseNumber(text, site.locale) * 1000) / powerW + 1e-9), kilowatts)
        }
      />
      <div aria-busy={!fresh} className={fresh ? '' : 'opacity-60'}>
        <TextField
          label={words.consumption}
          shown={number((100 * lineOf(numbers?.summary, 'yield')) / Math.max(1, consumed), site)}
          unit="%"
          hint={words.hint}
          onType={(text) => {
            const kwh = parsePercent(text, site.locale) * consumed
            const offset = (n: number) =>
              n === 1 ? kilowatts(1) : `${number((100 * made) / Math.max(1, consumed), site)} %`
            // As it is written, so that the figure shown for all of them is one that can be asked for.
            const beyond =
              Math.round((100 * kwh) / Math.max(1, consumed)) >
              Math.round((100 * made) / Math.max(1, consumed))
            return reach(beyond, kwh <= 0, offset, () => trimming.trimToYield(Math.min(kwh, made)))
          }}
        />
      </div>
      <TextField
        label={words.price}
        shown={number(priceAt(kept), site)}
        unit={moneySign(site)}
        hint={words.hint}
        onType={(text) => {
          const most = parseNumber(text, site.locale)
          let wanted = count
          while (wanted > 0 && priceAt(wanted) > most + 0.5) wanted--
          return reachCount(wanted, (n) => `${number(priceAt(n), site)} ${moneySign(site)}`)
        }}
      />
      {billNow > 0 && (
        <div aria-busy={!fresh} className={fresh ? '' : 'opacity-60'}>
          <Fact label={words.bill} value={`${number((100 * (billNow - billThen)) / billNow, site)} %`} />
        </div>
      )}
      {note && (
        <p role="status" className="text-[12px] text-clay">
          {note}
        </p>
      )}
      <ChoiceField
        label={words.first}
        value={rule.by}
        choices={[
          { value: 'access', label: words.access },
          { value: 'sun', label: words.sun },
          { value: 'money', label: words.money },
        ]}
        onChoose={(by) => trimming.setRule({ ...rule, by })}
      />
      <label className="flex items-center gap-2 py-1">
        <span className="flex-1 text-pencil">{words.unbroken}</span>
        <input
          type="checkbox"
          className="accent-verdigris"
          checked={rule.unbroken}
          onChange={(event) => trimming.setRule({ ...rule, unbroken: event.target.checked })}
        />
      </label>
    </>
  )
}
