'use client'

import { kindOf } from '@/core/kinds/index'
import { offerId } from '@/core/kinds/offer/offer'
import { theOne } from '@/core/kinds/documents'
import { sharedOut } from '@/core/model/rounding'
import { worthOfLight } from '@/core/readers/shade-worth'
import { type RunSummary } from '@/core/readers/summary'
import { farHorizonId, readingsId } from '@/core/shade/engine'
import { alterationsIn } from '@/core/stages/alterations'
import { later } from '@/words/en/later'
import { money, moneySign, number } from '@/words/format'
import { useBench, useHouse, useOption, useSayer, useSite } from '../context'
import { AsInOption } from './as-in-option'

const words = later.shade
const head = 'px-2 py-1 text-right font-normal'
const cell = 'px-2 py-1 text-right'

/** What casts shade, with what each costs, and how this option has it. */
export function ShadeBill({ summary }: { readonly summary: RunSummary }) {
  const { session } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const house = useHouse()
  const option = useOption()
  const rate = worthOfLight(summary)
  const altered = alterationsIn({ house, option }).map(({ object }) => object.id)
  const costs = summary.shadeBill
  const gone = altered
    .filter((id) => !costs.some((cost) => cost.id === id))
    .map((id) => ({ id, kwh: 0, skyKwh: 0 }))
  const rows = [...costs, ...gone]
  // As the ledger's line shows it, so that the one is the sum of the other.
  const whole = -(summary.ledger.find(({ id }) => id === 'shade')?.shown ?? 0)
  const shown = sharedOut(
    whole,
    rows.map(({ kwh }) => kwh),
  )
  const wholeSky = Math.round(costs.reduce((sum, { skyKwh }) => sum + skyKwh, 0))
  const skies = sharedOut(
    wholeSky,
    rows.map(({ skyKwh }) => skyKwh),
  )
  const wholeMoney = Math.round(whole * rate)
  const amounts = sharedOut(
    wholeMoney,
    rows.map(({ kwh }) => kwh * rate),
  )
  const most = Math.max(1, ...rows.map(({ kwh }) => kwh))
  if (rows.length === 0) return <p>{words.nothing}</p>
  return (
    <section aria-labelledby="shade-bill">
      <h3 id="shade-bill" className="mb-1 text-[15px] font-semibold">
        {words.bill}
      </h3>
      <div className="overflow-x-auto">
        <table className="w-full border-collapse" aria-labelledby="shade-bill">
          <thead>
            <tr className="text-[12px] text-pencil">
              <th scope="col" className="py-1 pr-2 text-left font-normal">
                {words.thing}
              </th>
              <th scope="col" className="w-40 max-sm:hidden">
                <span className="sr-only">{words.bill}</span>
              </th>
              <th scope="col" className={head}>
                {words.energy}
              </th>
              <th scope="col" className={head}>
                {words.sky}
              </th>
              <th scope="col" className={head}>
                {sayer.say(words.money, { sign: moneySign(site) })}
              </th>
              <th scope="col" className="py-1 pl-4 text-left font-normal">
                {words.inOption}
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ id, kwh }, k) => {
              const object = house[id]
              return (
                <tr key={id} className="border-t border-line align-top">
                  <th scope="row" className="py-1 pr-2 text-left font-normal">
                    {id === farHorizonId || id === readingsId ? (
                      sayer.name(id)
                    ) : (
                      <button
                        type="button"
                        className="cursor-pointer text-left hover:text-verdigris hover:underline"
                        onClick={() => session.setState({ selection: { kind: 'object', id }, dialog: null })}
                      >
                        {sayer.name(id)}
                      </button>
                    )}
                  </th>
                  <td className="py-2.5 max-sm:hidden" aria-hidden>
                    <div className="h-2 bg-clay" style={{ width: `${(100 * kwh) / most}%` }} />
                  </td>
                  <td className={cell}>{number(shown[k] ?? 0, site)}</td>
                  <td className={`${cell} text-pencil`}>{number(skies[k] ?? 0, site)}</td>
                  <td className={cell}>
                    {money(amounts[k] ?? 0, site)
                      .replace(moneySign(site), '')
                      .trim()}
                  </td>
                  <td className="py-1 pl-4">
                    {object && kindOf(object).standing?.altered && <AsInOption object={object} />}
                  </td>
                </tr>
              )
            })}
          </tbody>
          <tfoot>
            <tr className="border-t border-ink font-semibold">
              <th scope="row" className="py-1 pr-2 text-left">
                {words.total}
              </th>
              <td className="max-sm:hidden" />
              <td className={cell}>{number(whole, site)}</td>
              <td className={cell}>{number(wholeSky, site)}</td>
              <td className={cell}>{money(wholeMoney, site).replace(moneySign(site), '').trim()}</td>
              <td />
            </tr>
          </tfoot>
        </table>
      </div>
      <p className="quiet mt-1.5">{sayer.say(words.billNote, { rate: money(rate, site, 3) })}</p>
      <p className="quiet mt-0.5">
        {sayer.say(words.onlyHere, { option: theOne(option, 'offer', offerId).name })}
      </p>
    </section>
  )
}
