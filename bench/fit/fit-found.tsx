'use client'

import { useState } from 'react'
import { type FoundAround } from '@/core/fit/around'
import { type VolumeDraft } from '@/core/fit/drafts'
import { objectsOf } from '@/core/fit/objects'
import { centroid } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { metresPerFoot, toDegrees } from '@/core/model/units'
import { sideOf } from '@/words/direction'
import { later } from '@/words/en/later'
import { slope } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { useBench, useHouse, useSayer, useSite } from '../context'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { FitPlan } from './fit-plan'
import { pitchesOf } from './pitches-of'
import { listed, withPieces, type Listed, type Piece } from './take-fitted'

const words = later.fit
const metres = (value: number) => ({ value, unit: 'm' as const })

/** What was found: how well it lies in the heights, and piece by piece what is to be put in place. */
export function FitFound({ found, onDone }: { readonly found: FoundAround; readonly onDone: () => void }) {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const site = useSite()
  const house = useHouse()
  const objects = objectsOf(found.house, 'house')
  const rows = listed(found, objects, house)
  const middle = centroid(found.house.outline)
  const [left, setLeft] = useState<readonly number[]>([])
  const [wrong, setWrong] = useState<string | null>(null)
  const chosen = rows.filter(({ stands }, i) => !stands && !left.includes(i)).map(({ piece }) => piece)
  const count = chosen.length
  const accept = () => {
    const { fault, step } = documents.edit(words.label, houseId, (before) =>
      withPieces(before, chosen, sayer, site),
    )
    if (fault) return setWrong(sayer.fault(fault))
    toast(session, sayer.say(words.taken, { count }), step)
    onDone()
  }
  const drawByHand = () => {
    session.setState({ heights: { house: found.house, at: site }, chapter: 'shape', plan: true })
    onDone()
  }
  return (
    <div className="grid grid-cols-1 gap-5 md:grid-cols-[auto_1fr]">
      <FitPlan found={found} />
      <div>
        <Facts house={found.house} agreement={objects.agreement} sayer={sayer} />
        <h3 className="mt-3 font-semibold">{words.found}</h3>
        <ul className="mt-1">
          {rows.map((row, i) => (
            <li key={i}>
              <label className="flex items-baseline gap-2 py-0.5">
                <input
                  type="checkbox"
                  className="accent-verdigris"
                  disabled={row.stands}
                  checked={!row.stands && !left.includes(i)}
                  onChange={({ target }) =>
                    setLeft(target.checked ? left.filter((one) => one !== i) : [...left, i])
                  }
                />
                <span className={row.stands ? 'text-pencil' : ''}>{named(row, rows, middle, sayer)}</span>
              </label>
            </li>
          ))}
        </ul>
        {found.neighboursLeft > 0 && (
          <p className="quiet mt-1">{sayer.say(words.neighboursLeft, { left: found.neighboursLeft })}</p>
        )}
        {wrong !== null && (
          <p role="alert" className="mt-2 rounded-md bg-clay-soft p-2 text-clay">
            {wrong}
          </p>
        )}
        {/* At hand however long the list is. */}
        <div className="sticky bottom-0 mt-2 flex gap-2 bg-card py-2">
          <button type="button" className="button button-main" disabled={count === 0} onClick={accept}>
            {count === 0 ? words.none : sayer.say(words.accept, { count })}
          </button>
          <button type="button" className="button" onClick={drawByHand}>
            {words.byHand}
          </button>
        </div>
      </div>
    </div>
  )
}

function Facts({
  house,
  agreement,
  sayer,
}: {
  readonly house: FoundAround['house']
  readonly agreement: number
  readonly sayer: Sayer
}) {
  const [weak] = [...house.planes].sort((a, b) => b.fit.pitchSpreadDeg - a.fit.pitchSpreadDeg)
  return (
    <>
      <p>
        {sayer.say(words.fit, {
          planes: house.planes.length,
          share: house.withinShare,
          near: metres(0.1),
          rms: metres(house.rmsM),
        })}
      </p>
      <p className="mt-1">{sayer.say(words.agreement, { share: agreement, near: metres(0.15) })}</p>
      {weak && (
        <p className="mt-1">
          {sayer.say(words.weak, {
            pitch: slope(weak.pitchDeg, sayer.place),
            azimuth: { value: weak.azimuthDeg, unit: 'deg' },
            cells: weak.fit.cells,
            off: { value: Math.max(0.1, 2 * weak.fit.pitchSpreadDeg), unit: 'deg', digits: 1 },
          })}
        </p>
      )}
    </>
  )
}

const roofFacts = ({ flat, eaveHeightM, edges }: VolumeDraft, sayer: Sayer) => ({
  flat: flat ? 'yes' : 'no',
  eave: metres(eaveHeightM),
  pitches: pitchesOf(edges, sayer),
})

/** Where something stands, as seen from the middle of the house. */
function whereOf([x, y]: Vec2, [fromX, fromY]: Vec2, sayer: Sayer): string {
  const [east, north] = [x - fromX, y - fromY]
  const azimuthDeg = (toDegrees(Math.atan2(east, north)) + 360) % 360
  const wholeM = sayer.place.units === 'imperial' ? metresPerFoot : 1
  const value = Math.round(Math.hypot(east, north) / wholeM) * wholeM
  const away = { value, unit: 'm' as const, digits: 0 }
  return sayer.say(words.where, { away, side: sayer.words.compassPlaces[sideOf(azimuthDeg)] })
}

/** @param middle of the house */
function textOf(piece: Piece, rows: readonly Listed[], middle: Vec2, sayer: Sayer): string {
  switch (piece.is) {
    case 'volume': {
      const parts = rows.filter((row) => row.piece.is === 'volume')
      const n = parts.findIndex((row) => row.piece === piece) + 1
      const head =
        n === 1 ? sayer.say(words.house, { drawn: piece.drawn ? 'yes' : 'no' }) : sayer.say(words.part, { n })
      return `${head}: ${sayer.say(words.volume, roofFacts(piece.draft, sayer))}`
    }
    case 'dormer':
      return sayer.say(words.dormer, { form: piece.draft.form, width: metres(piece.draft.widthM) })
    case 'chimney':
      return sayer.say(words.block, {
        is: piece.draft.is,
        width: metres(piece.draft.widthM),
        depth: metres(piece.draft.depthM),
        height: metres(piece.draft.heightM),
      })
    case 'tree':
      return sayer.say(words.tree, {
        height: metres(piece.draft.heightM),
        crown: metres(piece.draft.crownDiameterM),
        where: whereOf(piece.draft.center, middle, sayer),
      })
    case 'neighbour':
      return sayer.say(words.neighbour, {
        ...roofFacts(piece.draft, sayer),
        where: whereOf(centroid(piece.draft.outline), middle, sayer),
      })
  }
}

const named = (row: Listed, rows: readonly Listed[], middle: Vec2, sayer: Sayer): string =>
  `${textOf(row.piece, rows, middle, sayer)}${row.stands ? ` (${words.stands})` : ''}`
