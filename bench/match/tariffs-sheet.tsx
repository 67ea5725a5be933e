'use client'

import { tariffThenId } from '@/core/kinds/tariff/tariff'
import { cheapestOf, type TariffWorth } from '@/core/readers/tariff-worth'
import { later } from '@/words/en/later'
import { money } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { useBench, useSayer } from '../context'
import { RankedRow } from '../wire/ranked-row'
import { moneyFigures, RankingSheet } from '../wire/ranking-sheet'
import { useRanking } from '../wire/use-ranking'
import { takeTariff } from './take-tariff'

const words = later.tariffs
const cases = ['before', 'solar', 'stored'] as const

/** Every tariff of the place and of the job, each with the house's own hours, the lowest bill first; one press takes one. */
export function TariffsSheet() {
  const ranking = useRanking('tariffs')
  const { rows, all, fresh } = ranking
  return (
    <RankingSheet
      words={words}
      // The two tariffs of the job are there without any utility.
      only={words.only}
      first={words.tariff}
      heads={([...cases, 'payback', 'npv'] as const).map((one) => words[one])}
      ranking={ranking}
      found={rows.length === all && <Found rows={rows} />}
    >
      {rows.map((row, k) => (
        <Row key={k} row={row} isReady={fresh} />
      ))}
    </RankingSheet>
  )
}

const nameOf = ({ form: { name, utility } }: TariffWorth): string =>
  utility === '' ? name : `${utility}: ${name}`

/** Which tariff is the cheapest in each case, and what changing it does by itself. */
function Found({ rows }: { readonly rows: readonly TariffWorth[] }) {
  const sayer = useSayer()
  const cheapest = cheapestOf(rows)
  const alone =
    (rows.find(({ isNow }) => isNow)?.before ?? 0) - (rows.find(({ isThen }) => isThen)?.before ?? 0)
  return (
    <section aria-label={words.lowest} className="mb-3">
      <h3 className="font-semibold">{words.lowest}</h3>
      <dl className="grid grid-cols-[max-content_1fr] gap-x-4">
        {cases.map((one) => {
          const row = cheapest[one]
          return (
            row && (
              <div key={one} className="contents">
                <dt className="text-pencil">{words[one]}</dt>
                <dd>{sayer.say(words.least, { name: nameOf(row), bill: aYear(sayer, row[one]) })}</dd>
              </div>
            )
          )
        })}
      </dl>
      <p className="quiet mt-2">{batterySaid(sayer, rows)}</p>
      {Math.abs(alone) >= 0.5 && (
        <p className="mt-2">
          {sayer.say(alone > 0 ? words.less : words.more, { money: money(Math.abs(alone), sayer.place) })}
        </p>
      )}
    </section>
  )
}

const aYear = (sayer: Sayer, value: number): string => sayer.written({ value, unit: 'money/year', digits: 0 })

function batterySaid(sayer: Sayer, [row]: readonly TariffWorth[]): string {
  if (!row?.battery) return words.noBattery
  const { batteryId, count, isOwn } = row.battery
  const battery = count === 1 ? sayer.name(batteryId) : `${count} × ${sayer.name(batteryId)}`
  return sayer.say(isOwn ? words.own : words.tried, { battery })
}

function isOf({ isNow, isThen }: TariffWorth): string | null {
  if (isNow && isThen) return words.isBoth
  if (isNow) return words.isNow
  return isThen ? words.isThen : null
}

function Row({ row, isReady }: { readonly row: TariffWorth; readonly isReady: boolean }) {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const is = isOf(row)
  return (
    <RankedRow
      name={
        <>
          {nameOf(row)}
          {is !== null && <span className="quiet block">{is}</span>}
        </>
      }
      breaks={null}
      figures={[
        ...cases.map((one) => sayer.written({ value: row[one], unit: 'money', digits: 0 })),
        ...moneyFigures(sayer, row, words.never),
      ]}
      take={
        row.isThen
          ? ''
          : {
              said: words.take,
              label: sayer.say(words.takes, { name: nameOf(row) }),
              isReady,
              onTake: () => takeTariff({ documents, session }, sayer, tariffThenId, row.form),
            }
      }
    />
  )
}
