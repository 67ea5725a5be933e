'use client'

import { signedArea } from '@/core/geometry/polygon'
import { type Lot } from '@/core/kinds/lot/lot'
import { lookOf, lotSides, reachOver, withSideLength } from '@/core/kinds/lot/sides'
import { formatArea, formatLength } from '@/core/model/units'
import { checkOutline } from '@/core/roof/check-outline'
import { ownOutlines } from '@/core/site/own-outlines'
import { sideOf } from '@/words/direction'
import { later } from '@/words/en/later'
import { Fact } from '../../card/frame'
import { useBench, useHouse, useOption, useSayer, useSite } from '../../context'
import { LengthField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { NameField } from '../name-field'

const words = later.lot

/** Its sides with their lengths, and how far what stands there keeps from each. */
export function LotCard({ object: lot }: { readonly object: Lot }) {
  const { site } = useBench()
  const { units, locale } = useSite()
  const sayer = useSayer()
  // What stands there is anew with either.
  useHouse()
  useOption()
  const rings = ownOutlines(site())
  const sides = lotSides(lot.outline, rings)
  const over = reachOver(lot.outline, rings)
  return (
    <>
      <NameField documentId={houseId} id={lot.id} name={lot.name} />
      <Fact label={words.area} value={formatArea(Math.abs(signedArea(lot.outline)), units, locale)} />
      <Fact label={words.from} value={sayer.words.lotSources[lot.source]} />
      {over > 0 && (
        <p className="text-[12px] text-clay">
          {sayer.say(words.over, { by: formatLength(over, units, locale) })}
        </p>
      )}
      <p className="quiet mt-2">{words.sides}</p>
      <ul>
        {sides.map((side) => (
          <li key={side.index}>
            <LengthField
              documentId={houseId}
              objectId={lot.id}
              label={
                <>
                  {sayer.words.compass[sideOf(lookOf(side))]}
                  {side.clear && (
                    <span className="block text-[12px]">
                      {sayer.say(words.clear, {
                        distance: formatLength(side.clear.distanceM, units, locale),
                      })}
                    </span>
                  )}
                </>
              }
              name={words.side}
              value={side.lengthM}
              fields={(lengthM) => {
                const outline = withSideLength(lot.outline, side.index, lengthM)
                checkOutline(outline)
                return { outline, source: 'hand' }
              }}
            />
          </li>
        ))}
      </ul>
    </>
  )
}
