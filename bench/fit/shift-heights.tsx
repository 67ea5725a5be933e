'use client'

import { type Offset } from '@/core/fit/offset'
import { add2, type Vec2 } from '@/core/geometry/vector'
import { Fault } from '@/core/model/fault'
import { formatLength, parseLength, toDegrees } from '@/core/model/units'
import { sideOf } from '@/words/direction'
import { later } from '@/words/en/later'
import { useSayer, useSite, useWords } from '../context'
import { TextField } from '../fields/text-field'

const words = later.fit
/** Heights that lie nearer to the outlines than this lie right, m. */
const leastOffM = 0.3
/** Farther than this heights are not shifted: they would be of another house, m. */
const mostM = 25

/** How far the heights lie from the outlines that are known, and by how much they are shifted before they are read. */
export function ShiftHeights({
  offset,
  shiftM,
  onShift,
}: {
  readonly offset: Offset | null
  readonly shiftM: Vec2
  readonly onShift: (shiftM: Vec2) => void
}) {
  const sayer = useSayer()
  const { units, locale } = useSite()
  const { compassPlaces } = useWords()
  const offM = offset ? Math.hypot(...offset.byM) : 0
  const field = (label: string, axis: 0 | 1) => (
    <TextField
      label={label}
      shown={formatLength(shiftM[axis], units, locale)}
      width="length"
      onType={(text) => {
        const metres = parseLength(text, units, locale)
        if (Math.abs(metres) > mostM)
          return new Fault('heights-shifted-far', { most: { value: mostM, unit: 'm' } })
        onShift(axis === 0 ? [metres, shiftM[1]] : [shiftM[0], metres])
        return null
      }}
    />
  )
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-5">
      <div className="w-56">{field(words.shiftEast, 0)}</div>
      <div className="w-44">{field(words.shiftNorth, 1)}</div>
      {offset && offM > leastOffM && (
        <p className="flex flex-1 basis-72 items-center gap-3">
          <span>
            {sayer.say(words.offset, {
              away: formatLength(offM, units, locale),
              side: compassPlaces[
                sideOf((toDegrees(Math.atan2(-offset.byM[0], -offset.byM[1])) + 360) % 360)
              ],
              buildings: offset.buildings,
            })}
          </span>
          <button
            type="button"
            className="button"
            onClick={() => onShift(roundedTo(add2(shiftM, offset.byM)))}
          >
            {words.shiftThere}
          </button>
        </p>
      )}
    </div>
  )
}

/** To the centimetre. */
const roundedTo = ([east, north]: Vec2): Vec2 => [Math.round(east * 100) / 100, Math.round(north * 100) / 100]
