'use client'

import { type PanelArray } from '@/core/kinds/array/array'
import { lieOf } from '@/core/kinds/array/part-grips'
import { parseNumber } from '@/core/model/numbers'
import { formatArea } from '@/core/model/units'
import { standingById } from '@/core/site/site'
import { later } from '@/words/en/later'
import { isLevel } from '@/words/direction'
import { entered, number } from '@/words/format'
import { Fact } from '../../card/frame'
import { useBench, useSayer, useSession, useSite } from '../../context'
import { ChoiceField, LengthField } from '../../fields/fields'
import { TextField } from '../../fields/text-field'
import { toast } from '../../store/session'
import { ArrayFacts } from '../array-facts'
import { ArrayName } from './array-name'
import { EdgeSetbacks } from './edge-setbacks'
import { useLayOffers } from './lay-offers'
import { PartDeeds, PartFields } from './part-fields'
import { TiltFields, type Relaid } from './tilt-fields'

const patternNames: Readonly<Record<PanelArray['pattern'], string>> = {
  plain: 'as laid at first',
  aligned: 'in line',
  blocks: 'two blocks in line',
  shifted: 'rows shifted',
  mixed: 'rows or columns mixed',
  fullest: 'fullest',
}

const lies = ['portrait', 'landscape'] as const
const ways = [...lies, 'best'] as const

const counted = (name: string, count: number | undefined) =>
  count === undefined ? name : `${name} · ${count}`

/** Modules on a roof plane. */
export function ArrayCard({ object: array }: { readonly object: PanelArray }) {
  const { part } = array
  const { documents, session, site: standing } = useBench()
  const optionId = useSession((s) => s.optionId)
  const site = useSite()
  const sayer = useSayer()
  const fields = later.fields.array
  const laid = standing().arrays.find(({ id }) => id === array.id)
  // A plane that something parts is laid as one.
  const pieces = standingById(standing(), array.volumeId)?.geometry.faces.filter(
    (face) => face.edgeIndex === array.edgeIndex && face.step === array.step,
  )
  const areaM2 = pieces?.reduce((sum, piece) => sum + piece.areaM2, 0) ?? 0
  const degrees = (deg: number, digits = 0) => number(deg, site, digits)
  const other = standing().faces.filter(({ id }) => id === array.id)[1]
  const looks = !laid
    ? ''
    : other
      ? sayer.say(later.tiltedRows.bothWays, {
          tilt: degrees(laid.plane.pitchDeg, 1),
          one: degrees(laid.plane.azimuthDeg),
          other: degrees(other.plane.azimuthDeg),
        })
      : `${degrees(laid.plane.pitchDeg, 1)}°${isLevel(laid.plane) ? '' : ` · ${degrees(laid.plane.azimuthDeg)}°`}`
  const set = (label: string, changed: Partial<PanelArray>) =>
    documents.set(label, optionId, array.id, changed)
  // Those where a module fits.
  const emptied = laid?.empty.map(({ slot }) => slot) ?? []
  const offers = useLayOffers(array.id)
  const offered = offers?.patterns ?? []
  // Places left empty are told by rows and columns, which are others then; those of rows that are counted stay.
  const relay = (label: string, { tilt = array.tilt ?? null, ...changed }: Relaid) => {
    const { tilt: _tilt, ...rest } = array
    const removed = part?.is === 'rows' ? array.removed : []
    const length = array.removed.length - removed.length
    const { fault, step } = documents.edit(label, optionId, (before) => ({
      ...before,
      [array.id]: { ...rest, ...changed, ...(tilt ? { tilt } : {}), removed },
    }))
    if (length > 0 && !fault)
      toast(
        session,
        `Laid anew: ${length === 1 ? 'the module' : `the ${length} modules`} taken away before ${length === 1 ? 'is' : 'are'} back.`,
        step,
      )
    return fault
  }
  return (
    <>
      <ArrayFacts id={array.id} laid={laid} />
      {part && <PartFields array={array} part={part} laid={laid} />}
      {laid && <Fact label={isLevel(laid.plane) ? 'Tilt' : 'Tilt, azimuth'} value={looks} />}
      {areaM2 > 0 && <Fact label="Plane area" value={formatArea(areaM2, site.units, site.locale)} />}
      <ChoiceField
        label={fields.orientation}
        value={part?.is === 'rows' ? lieOf(array) : array.orientation}
        choices={(part?.is === 'rows' ? lies : ways).map((orientation) => ({
          value: orientation,
          label: counted(
            orientation === 'best' ? 'best fit' : orientation,
            offers?.orientations.find((offer) => offer.orientation === orientation)?.count,
          ),
        }))}
        wide={false}
        onChoose={(orientation) => relay('Orientation', { orientation })}
      />
      {part?.is !== 'rows' && (
        <ChoiceField
          label={fields.pattern}
          value={array.pattern}
          choices={[
            ...(offered.some(({ pattern }) => pattern === array.pattern)
              ? []
              : [{ value: array.pattern, label: counted(patternNames[array.pattern], laid?.places.length) }]),
            ...offered.map(({ pattern, count }) => ({
              value: pattern,
              label: counted(patternNames[pattern], count),
            })),
          ]}
          onChoose={(pattern) => relay('Set-out', { pattern })}
        />
      )}
      {!array.tilt && (
        <TextField
          label={fields.turnDeg}
          shown={entered(array.turnDeg ?? 0, site, 1)}
          unit="°"
          onType={(text) => relay('Turn', { turnDeg: parseNumber(text, site.locale) })}
        />
      )}
      <LengthField
        label={fields.liftM}
        name="Off the roof"
        documentId={optionId}
        objectId={array.id}
        value={array.liftM}
        fields={(liftM) => ({ liftM })}
      />
      <LengthField
        label={fields.gapM}
        name="Gap"
        documentId={optionId}
        objectId={array.id}
        value={array.gapM}
        fields={(gapM) => ({ gapM })}
      />
      <TiltFields array={array} laid={laid} set={relay} />
      <EdgeSetbacks array={array} laid={laid} />
      <ArrayName array={array} />
      <PartDeeds array={array} />
      {emptied.length > 0 && (
        <button
          type="button"
          className="mt-1 cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() =>
            set('Restore modules', { removed: array.removed.filter((place) => !emptied.includes(place)) })
          }
        >
          Restore all {emptied.length}
        </button>
      )}
    </>
  )
}
