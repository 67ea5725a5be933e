'use client'

import { useEffect, useState } from 'react'
import { type Incentive } from '@/core/kinds/offer/offer'
import { Fault } from '@/core/model/fault'
import { overHttp } from '@/services/ask'
import { incentivesAt } from '@/services/world'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { lineButton } from '../fields/file-button'
import { toast } from '../store/session'
import { IncentiveCard } from './incentive-card'
import { Percent } from './typed'
import { useOffer, without } from './use-offer'

const words = later.money

/** What is paid for going solar, and the programmes of the place. */
export function Incentives() {
  const { session } = useBench()
  const sayer = useSayer()
  const { offer, set } = useOffer()
  const { incentives } = offer
  const here = useIncentivesHere()
  const setAll = (next: readonly Incentive[]) => set(words.incentives, { incentives: next })
  const take = (one: Incentive) => {
    const fault = setAll([...incentives, one])
    toast(session, fault ? sayer.fault(fault) : sayer.say(words.taken, { name: one.name }))
  }
  const more = (here === 'away' ? [] : (here ?? [])).filter(
    ({ name }) => !incentives.some((one) => one.name === name),
  )
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.incentives}</h3>
      {incentives.map((one, k) => (
        <IncentiveCard
          key={k}
          incentive={one}
          onChange={(changed) => setAll(incentives.map((other, i) => (i === k ? changed : other)))}
          onRemove={() => setAll(without(incentives, k))}
        />
      ))}
      <button
        type="button"
        className={lineButton}
        onClick={() =>
          setAll([...incentives, { name: words.newIncentive, kind: 'fixed', amount: 500, taxed: false }])
        }
      >
        {words.addIncentive}
      </button>
      {here === 'away' ? (
        <p className="quiet mt-1">{words.away}</p>
      ) : here?.length === 0 ? (
        <p className="quiet mt-1">{words.none}</p>
      ) : (
        more.length > 0 && (
          <ChoiceField
            label={words.here}
            value=""
            wide
            choices={[
              { value: '', label: words.choose },
              ...more.map(({ name, kind }, k) => ({
                value: String(k),
                label: `${name}: ${words.kinds[kind]}`,
              })),
            ]}
            onChoose={(value) => {
              const one = value === '' ? undefined : more[Number(value)]
              if (one) take(one)
            }}
          />
        )
      )}
      <Percent
        label={later.fields.offer.incomeTax}
        value={offer.incomeTax}
        onSet={(incomeTax) => set(later.fields.offer.incomeTax, { incomeTax })}
      />
    </section>
  )
}

/** The programmes of the place; null until they are known. */
function useIncentivesHere(): readonly Incentive[] | 'away' | null {
  const { latitudeDeg, longitudeDeg } = useSite()
  const [known, setKnown] = useState<readonly Incentive[] | 'away' | null>(null)
  useEffect(() => {
    const controller = new AbortController()
    incentivesAt(overHttp('/world'), { latitudeDeg, longitudeDeg }, controller.signal).then(
      setKnown,
      (error: unknown) => {
        if (error instanceof Fault) setKnown(error.code === 'service-refused' ? [] : 'away')
        else if (!controller.signal.aborted) throw error
      },
    )
    return () => controller.abort()
  }, [latitudeDeg, longitudeDeg])
  return known
}
