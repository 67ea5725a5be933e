'use client'

import { widestRowGapM, type PanelArray } from '@/core/kinds/array/array'
import { lieOf } from '@/core/kinds/array/part-grips'
import { type ModuleSize } from '@/core/kinds/standing'
import { frameOf } from '@/core/layout/plane-frame'
import { depthOf, isPaired, tiltedPlane } from '@/core/layout/tilt'
import { Fault } from '@/core/model/fault'
import { parseNumber } from '@/core/model/numbers'
import { formatLength, parseLength } from '@/core/model/units'
import { flatBelowDeg } from '@/core/setbacks/edges'
import { type LaidArray } from '@/core/site/site'
import { rowGapM } from '@/core/sun/row-gap'
import { later } from '@/words/en/later'
import { entered } from '@/words/format'
import { Fact } from '../../card/frame'
import { useSayer, useSite } from '../../context'
import { ChoiceField } from '../../fields/fields'
import { TextField } from '../../fields/text-field'
import { useToolContext } from '../../use-tool-context'

const words = later.tiltedRows
type Tilt = NonNullable<PanelArray['tilt']>
/** What an array is laid anew with; no tilt lays it flat. */
export type Relaid = Partial<Omit<PanelArray, 'tilt'>> & { readonly tilt?: Tilt | null }

/** Hours of solar time between which rows are not to shade each other on the shortest day. */
const windows = [
  [9, 15],
  [10, 14],
  [11, 13],
] as const
const usualWindow = windows[1]
const usualTiltDeg = 10
/** Of pairs: at their ridge, and between one and the next, m. */
const usualRidgeM = 0.05
const usualValleyM = 0.25
/** A gap as near as this to one that was worked out is that one, m. */
const sameM = 2e-3

/** Millimetres, up: what is rounded down would throw its shadow. */
const upToMillimetres = (metres: number) => Math.ceil(metres * 1000 - 1e-6) / 1000

/** Of an array on a roof that is nearly level: whether its rows are tilted, how steep, where to, and how far apart. */
export function TiltFields({
  array,
  laid,
  set,
}: {
  readonly array: PanelArray
  readonly laid: LaidArray | undefined
  /** Lays the array anew; what cannot be is returned. */
  readonly set: (label: string, fields: Relaid) => Fault | null
}) {
  const site = useSite()
  const sayer = useSayer()
  const module = useToolContext().module()
  const plane = laid?.margins?.plane
  const { tilt } = array
  if (!plane || !module || (plane.pitchDeg >= flatBelowDeg && !tilt)) return null
  const length = (metres: number) => formatLength(metres, site.units, site.locale)
  const metres = (text: string) => parseLength(text, site.units, site.locale)
  const unturnedDeg = tiltedPlane(frameOf(plane), { tiltDeg: usualTiltDeg }).azimuthDeg
  const facingDeg = (unturnedDeg + (array.turnDeg ?? 0) + 360) % 360
  const freeGap = (
    next: Pick<Tilt, 'tiltDeg'>,
    facing: number,
    [fromHour, toHour]: readonly [number, number],
  ) =>
    gapOrNull({
      latitudeDeg: site.latitudeDeg,
      tiltDeg: next.tiltDeg,
      facingDeg: facing,
      slopeM: slopeOf(array, module),
      fromHour,
      toHour,
    })
  if (!tilt) {
    const turn = () => {
      const turnDeg = nearestTurn(unturnedDeg, equatorwardDeg(site.latitudeDeg))
      const rowGap = freeGap({ tiltDeg: usualTiltDeg }, unturnedDeg + turnDeg, usualWindow)
      set(words.on, {
        turnDeg,
        tilt: { tiltDeg: usualTiltDeg, rowGapM: rowGap ?? slopeOf(array, module), ridgeGapM: null },
      })
    }
    return <Press label={words.on} run={turn} />
  }
  const depthM = depthOf(slopeOf(array, module), tilt)
  const paired = isPaired(tilt)
  const stand = (way: 'one' | 'pairs') => {
    const turnDeg = nearestTurn(unturnedDeg, way === 'pairs' ? eastDeg : equatorwardDeg(site.latitudeDeg))
    const facing = (unturnedDeg + turnDeg + 360) % 360
    const gap = way === 'pairs' ? usualValleyM : (freeGap(tilt, facing, usualWindow) ?? tilt.rowGapM)
    set(words.stand, {
      turnDeg,
      tilt: { ...tilt, rowGapM: gap, ridgeGapM: way === 'pairs' ? usualRidgeM : null },
    })
  }
  // Pairs turn their lower edges to each other: what shade they throw is little, and counted.
  const offered = (paired ? [] : windows).flatMap((window) => {
    const gap = freeGap(tilt, facingDeg, window)
    return gap === null ? [] : [{ window, gap }]
  })
  const chosen = offered.find(({ gap }) => Math.abs(gap - tilt.rowGapM) < sameM)
  /** Kept free of row shade where it was, whatever else is changed. */
  const tilted = (label: string, next: Tilt, turnDeg = array.turnDeg ?? 0) => {
    const kept = chosen && freeGap(next, (unturnedDeg + turnDeg + 360) % 360, chosen.window)
    return set(label, { turnDeg, tilt: { ...next, rowGapM: kept ?? next.rowGapM } })
  }
  return (
    <fieldset className="mt-1 border-t border-line pt-1">
      <legend className="quiet pr-1">{words.title}</legend>
      {array.part?.is !== 'rows' && (
        <ChoiceField
          label={words.stand}
          value={paired ? 'pairs' : 'one'}
          choices={(['one', 'pairs'] as const).map((value) => ({ value, label: words.ways[value] }))}
          onChoose={stand}
        />
      )}
      <TextField
        label={words.tilt}
        shown={entered(tilt.tiltDeg, site, 1)}
        unit="°"
        onType={(text) => tilted(words.tilt, { ...tilt, tiltDeg: parseNumber(text, site.locale) })}
      />
      <TextField
        label={words.faces}
        shown={entered(Math.round(facingDeg * 10) / 10, site, 0)}
        unit="°"
        onType={(text) => tilted(words.faces, tilt, halfTurn(parseNumber(text, site.locale) - unturnedDeg))}
      />
      {!paired && (
        <ChoiceField
          label={words.free}
          value={chosen ? chosen.window.join('-') : 'own'}
          choices={[
            ...(chosen ? [] : [{ value: 'own', label: words.own }]),
            ...offered.map(({ window: [from, to] }) => ({
              value: `${from}-${to}`,
              label: sayer.say(words.hours, { from, to, month: site.latitudeDeg < 0 ? 'june' : 'december' }),
            })),
          ]}
          onChoose={(value) => {
            const found = offered.find(({ window }) => window.join('-') === value)
            if (found) set(words.free, { tilt: { ...tilt, rowGapM: found.gap } })
          }}
        />
      )}
      <TextField
        label={paired ? words.pairGap : words.gap}
        shown={length(tilt.rowGapM)}
        width={site.units === 'imperial' ? 'length' : 'figure'}
        onType={(text) => set(words.gap, { tilt: { ...tilt, rowGapM: metres(text) } })}
      />
      {paired && (
        <TextField
          label={words.ridge}
          shown={length(tilt.ridgeGapM)}
          width={site.units === 'imperial' ? 'length' : 'figure'}
          onType={(text) => set(words.ridge, { tilt: { ...tilt, ridgeGapM: metres(text) } })}
        />
      )}
      <Fact label={paired ? words.pairDistance : words.distance} value={length(depthM + tilt.rowGapM)} />
      <Fact
        label={words.cover}
        value={sayer.written({
          value: ((paired ? 2 : 1) * slopeOf(array, module)) / (depthM + tilt.rowGapM),
          unit: 'share',
        })}
      />
      <Press label={words.off} run={() => set(words.off, { tilt: null })} />
    </fieldset>
  )
}

function Press({ label, run }: { readonly label: string; readonly run: () => void }) {
  return (
    <button
      type="button"
      className="mt-1 block cursor-pointer text-[12px] text-verdigris hover:underline"
      onClick={run}
    >
      {label}
    </button>
  )
}

/** How long a module is up its tilt, m. */
const slopeOf = (array: PanelArray, { widthM, lengthM }: ModuleSize): number =>
  lieOf(array) === 'portrait' ? lengthM : widthM

const eastDeg = 90
/** South, or north on the southern half of the earth. */
const equatorwardDeg = (latitudeDeg: number): number => (latitudeDeg < 0 ? 0 : 180)

/** Null where the sun is not up at these hours, or so low that rows would stand farther apart than any roof has room. */
function gapOrNull(given: Parameters<typeof rowGapM>[0]): number | null {
  try {
    const gap = upToMillimetres(rowGapM(given))
    return gap > widestRowGapM ? null : gap
  } catch (error) {
    if (error instanceof Fault && error.code === 'sun-below') return null
    throw error
  }
}

/** From over -180 to 180, in tenths. */
const halfTurn = (deg: number): number => {
  const turned = (((deg % 360) + 540) % 360) - 180
  return Math.round((turned === -180 ? 180 : turned) * 10) / 10
}

/** The quarter turn that looks nearest to an azimuth: rows stay in line with the building. */
function nearestTurn(unturnedDeg: number, towardsDeg: number): number {
  const off = (turn: number) => Math.abs(halfTurn(unturnedDeg + turn - towardsDeg))
  return [0, 90, 180, -90].reduce((best, turn) => (off(turn) < off(best) - 1e-9 ? turn : best))
}
