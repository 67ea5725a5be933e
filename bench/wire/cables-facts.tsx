'use client'

import { type CableRun, type PlaceName } from '@/core/cables/cable-plan'
import { gaugeOf, sizesOf } from '@/core/cables/circuit'
import { theOne } from '@/core/kinds/documents'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { sideOf } from '@/words/direction'
import { metresPerFoot } from '@/core/model/units'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { useBench, useHouse, useNumbers, useOption, useSayer, useSession, useSite } from '../context'
import { ChoiceField, LengthField } from '../fields/fields'
import { placesOf, sideLooked, targetOf, wantedPlaces } from './places'

const words = later.wiring

/** Where devices hang, how long their cables are, and what is lost in them. */
export function CablesFacts({ isMicro }: { readonly isMicro: boolean }) {
  const option = useOption()
  const places = placesOf(useHouse(), option)
  const hasBattery = theOne(option, 'storage', 'storage').batteryId !== null
  const { numbers, fresh } = useNumbers()
  const { cables, wired = false } = numbers?.summary ?? {}
  const hasStrings = (numbers?.summary.strings.length ?? 0) > 0
  const names: PlaceName[] = [
    ...wantedPlaces(isMicro, hasBattery || places.battery !== null),
    ...(Object.values(places).some((place) => place !== null) ? (['cablesDown'] as const) : []),
  ]
  return (
    <>
      <h3 className="quiet mt-2">{words.cables}</h3>
      {!wired && <p className="quiet mb-1">{isMicro ? words.cablesNoneMicro : words.cablesNone}</p>}
      <ul>
        {names.map((name) => (
          <PlaceRow key={name} name={name} />
        ))}
      </ul>
      {cables && (
        <dl className={fresh ? 'mt-1' : 'mt-1 opacity-60'}>
          <RunRow label={words.dcRun} runs={cables.dc} />
          <RunRow label={isMicro ? words.branchRun : words.acRun} runs={cables.ac} />
          <RunRow label={words.batteryRun} runs={cables.battery ? [cables.battery] : []} />
          {wired && <LossRow />}
        </dl>
      )}
      {!isMicro && hasStrings && <SizeField side="dc" label={words.dcSize} />}
      {hasStrings && <SizeField side="ac" label={isMicro ? words.branchSize : words.acSize} />}
    </>
  )
}

/** One place: on which wall, how high, and what can be done with it. */
function PlaceRow({ name }: { readonly name: PlaceName }) {
  const { documents, session, site, tools } = useBench()
  const optionId = useSession((s) => s.optionId)
  const isHeld = useSession((s) => s.tool === 'place' && s.placing === name)
  const place = placesOf(useHouse(), useOption())[name]
  const sayer = useSayer()
  const target = targetOf(name, optionId)
  const device = words.places[name]
  const looked = place && sideLooked(site(), place)
  const set = (step: string, value: unknown) =>
    documents.set(sayer.say(step, { device }), target.documentId, target.objectId, { [target.field]: value })
  return (
    <li className="py-0.5">
      <div className="flex items-baseline gap-1.5">
        <span className="min-w-0 flex-1">{device}</span>
        <button
          type="button"
          aria-label={`${place ? words.placeAgain : words.placeIt}: ${device}`}
          aria-pressed={isHeld}
          className={`cursor-pointer text-[12px] ${isHeld ? 'font-semibold text-ink' : 'text-verdigris hover:underline'}`}
          onClick={() => {
            tools.take('place')
            session.setState({ placing: name })
          }}
        >
          {place ? words.placeAgain : words.placeIt}
        </button>
        {place && (
          <button
            type="button"
            aria-label={sayer.say(words.placeRemove, { device })}
            className="cursor-pointer px-1 text-pencil hover:text-ink"
            onClick={() => set(words.placeAway, null)}
          >
            ×
          </button>
        )}
      </div>
      {place && (
        <LengthField
          label={
            <>
              {looked === null
                ? words.placeUp
                : sayer.say(words.placed, { side: sayer.words.compass[sideOf(looked)] })}
              <span className="sr-only">, {sayer.say(words.placeHeight, { device })}</span>
            </>
          }
          name={sayer.say(words.placeHeight, { device })}
          documentId={target.documentId}
          objectId={target.objectId}
          value={place.heightM}
          fields={(heightM) => ({ [target.field]: { ...place, heightM } })}
        />
      )}
    </li>
  )
}

function RunRow({ label, runs }: { readonly label: string; readonly runs: readonly CableRun[] }) {
  const sayer = useSayer()
  const { units } = useSite()
  if (runs.length === 0) return null
  const metres = runs.reduce((sum, { cableM }) => sum + cableM, 0)
  const sizes = [...new Set(runs.map(({ mm2 }) => sizeSaid(sayer, units, mm2)))]
  return (
    <div className="py-0.5">
      <dt className="text-pencil">{label}</dt>
      <dd>
        {sayer.say(words.run, {
          length: { value: inWhole(metres, units), unit: 'm', digits: 1 },
          size: sizes.join(', '),
          drop: { value: Math.max(...runs.map(({ dropShare }) => dropShare)), unit: 'share', digits: 1 },
        })}
      </dd>
    </div>
  )
}

/** Nobody cuts cable to fractions of an inch. */
const inWhole = (metres: number, units: 'metric' | 'imperial'): number =>
  units === 'imperial' ? Math.round(metres / metresPerFoot) * metresPerFoot : metres

/** What direct and alternating current lose in them in the year. */
function LossRow() {
  const sayer = useSayer()
  const { numbers } = useNumbers()
  if (!numbers) return null
  const { lost, ac } = numbers.summary.chain
  const kwh = lost.wiring.kwh + lost['ac-cables'].kwh
  return (
    <div className="py-0.5">
      <dt className="text-pencil">{words.cableLoss}</dt>
      <dd>
        {sayer.say(words.cableLossOf, {
          kwh: { value: kwh, unit: 'kWh', digits: 0 },
          share: { value: ac.kwh > 0 ? kwh / ac.kwh : 0, unit: 'share', digits: 1 },
        })}
      </dd>
    </div>
  )
}

const sizeSaid = (sayer: Sayer, units: 'metric' | 'imperial', mm2: number): string =>
  units === 'imperial' ? `${gaugeOf(mm2)} AWG` : sayer.written({ value: mm2, unit: 'mm²' })

function SizeField({ side, label }: { readonly side: 'dc' | 'ac'; readonly label: string }) {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const sayer = useSayer()
  const { units } = useSite()
  const field = side === 'dc' ? 'dcMm2' : 'acMm2'
  const chosen = theOne(useOption(), 'electrical', electricalId)[field]
  const sizes: readonly number[] = sizesOf[units === 'imperial' ? 'gauge' : 'mm2'][side]
  const all = chosen === null || sizes.includes(chosen) ? sizes : [...sizes, chosen].toSorted((a, b) => a - b)
  return (
    <ChoiceField
      label={label}
      wide={false}
      value={chosen === null ? '' : String(chosen)}
      choices={[
        { value: '', label: words.sizeLeast },
        ...all.map((mm2) => ({ value: String(mm2), label: sizeSaid(sayer, units, mm2) })),
      ]}
      onChoose={(value) =>
        documents.set(label, optionId, electricalId, { [field]: value === '' ? null : Number(value) })
      }
    />
  )
}
