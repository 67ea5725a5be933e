'use client'

import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useBench, useNumbers, useSayer, useSession, useSite } from '../context'
import { FactBoxes } from '../fact-boxes'
import { ReadingsCompared } from '../horizon/compare'
import { Sheet } from '../sheet'
import { AccessTable } from './access-table'
import { ShadeBill } from './shade-bill'
import { SunPath } from './sun-path'
import { UncheckedHeights } from './unchecked-heights'

const words = later.shade

/** All about shade: what it costs and by what, when it falls, and where it comes from. */
export function ShadeSheet() {
  const { session } = useBench()
  const lookFrom = useSession((s) => s.lookFrom)
  const { numbers, fresh } = useNumbers()
  const summary = numbers?.summary
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null, lookFrom: null })}>
      {lookFrom && <SunPath />}
      {lookFrom && summary?.count === 0 ? null : !summary || summary.count === 0 ? (
        <p className="quiet">{words.none}</p>
      ) : (
        <div
          aria-busy={!fresh}
          className={`flex flex-col gap-6 ${lookFrom ? 'mt-6' : ''} ${fresh ? '' : 'opacity-60'}`}
        >
          <Headline />
          <ShadeBill summary={summary} />
          <ReadingsCompared summary={summary} />
          <UncheckedHeights />
          <AccessTable />
          {!lookFrom && <SunPath />}
        </div>
      )}
    </Sheet>
  )
}

/** What the switches below it change. */
function Headline() {
  const site = useSite()
  const sayer = useSayer()
  const { numbers } = useNumbers()
  if (!numbers) return null
  const { chain, ledger } = numbers.summary
  const of = (id: 'shade' | 'payback' | 'yield') => {
    const line = ledger.find((one) => one.id === id)
    return line ? sayer.figure(line.shown ?? line.value, line.unit) : { figure: '–', unit: '' }
  }
  const share = (100 * chain.lost.shade.kwh) / Math.max(1e-9, chain.sun.kwh - chain.lost.reflection.kwh)
  const facts = [
    [words.loss, of('shade').figure, of('shade').unit],
    [words.lossShare, number(share, site, 1), '%'],
    [sayer.line('yield'), of('yield').figure, of('yield').unit],
    [words.payback, of('payback').figure, of('payback').unit],
  ] as const
  return <FactBoxes facts={facts} />
}
