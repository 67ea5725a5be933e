import { avoidedBy } from '@/core/energy/avoided'
import { type ProposalWords } from '@/words/proposal-words'
import { type Sayer } from '@/words/sayer'
import { type AssumptionsShown, type EnvironmentShown, type LossesShown } from './shape'

interface Of<T> {
  readonly data: T
  readonly words: ProposalWords
  readonly sayer: Sayer
}

/** By definition. */
const kmPerMile = 1.609344

const heading = 'mb-2 font-display text-[19px]'

/** What is not emitted because of the modules, in kilograms, trees and kilometres. */
export function Environment({
  data,
  years,
  words,
  sayer,
}: Of<EnvironmentShown> & { readonly years: number }) {
  const { kgPerKwh, firstKwh, allKwh, year, source } = data
  const first = avoidedBy(firstKwh, kgPerKwh)
  const all = avoidedBy(allKwh, kgPerKwh)
  const far = (value: number) => sayer.written({ value, unit: '', digits: 0 })
  const mass = (kg: number) => sayer.written({ value: kg, unit: 'kg', digits: 0 })
  return (
    <section className="mb-6 break-inside-avoid">
      <h2 className={heading}>{words.environment}</h2>
      <p>
        {sayer.say(words.avoided, {
          mass: mass(first.kg),
          allMass: mass(all.kg),
          years,
          trees: Math.round(first.trees),
          distance:
            sayer.place.units === 'imperial'
              ? `${far(first.carKm / kmPerMile)} mi`
              : `${far(first.carKm)} km`,
        })}
      </p>
      <p className="quiet mt-1">
        {sayer.say(words.avoidedFrom, {
          each: { value: kgPerKwh, unit: '', digits: 2 },
          source,
          year: String(year),
        })}
      </p>
    </section>
  )
}

/** What becomes of the light, loss by loss. */
export function Losses({ data: { sunKwh, steps, yieldKwh }, words, sayer }: Of<LossesShown>) {
  const kwh = (value: number) => sayer.written({ value, unit: 'kWh', digits: 0 })
  const rows = [
    { label: words.sunOnModules, text: kwh(sunKwh), strong: false },
    ...steps.map((step) => ({ label: sayer.words.losses[step.name], text: kwh(-step.kwh), strong: false })),
    { label: words.yieldLeft, text: kwh(yieldKwh), strong: true },
  ]
  return (
    <section className="mb-6 break-inside-avoid">
      <h2 className={heading}>{words.losses}</h2>
      <dl>
        {rows.map(({ label, text, strong }) => (
          <div
            key={label}
            className={`flex justify-between gap-3 border-t border-line py-1 ${strong ? 'font-semibold' : ''}`}
          >
            <dt>{label}</dt>
            <dd className="whitespace-nowrap">{text}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}

/** What the figures of the years rest on. */
export function Assumptions({ data, words, sayer }: Of<AssumptionsShown>) {
  const share = (value: number, digits = 1) => ({ value, unit: 'share', digits }) as const
  const lines = [
    sayer.say(words.assumeWeather, {
      station: data.station.name,
      distance: { value: data.station.distanceM, unit: 'm', digits: 0 },
    }),
    sayer.say(words.assumeLoad, { energy: { value: data.loadKwh, unit: 'kWh', digits: 0 } }),
    sayer.say(words.assumeYears, {
      years: data.years,
      growth: share(data.escalation),
      exports: share(data.exportGrowth),
      upkeep: share(data.upkeepGrowth),
    }),
    sayer.say(words.assumeModules, { degradation: share(data.degradation, 2) }),
    ...(data.batteryFade === null ? [] : [sayer.say(words.assumeBattery, { fade: share(data.batteryFade) })]),
    ...(data.batteryFirstFade === undefined
      ? []
      : [sayer.say(words.assumeBatterySheet, { fade: share(data.batteryFirstFade) })]),
    ...data.replaced.map(({ name, year }) => sayer.say(words.assumeReplaced, { name, year })),
    sayer.say(words.assumeDiscount, { rate: share(data.discountRate) }),
  ]
  return (
    <section className="mb-6 break-inside-avoid">
      <h2 className={heading}>{words.assumptions}</h2>
      <ul className="ml-5 list-disc">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  )
}
