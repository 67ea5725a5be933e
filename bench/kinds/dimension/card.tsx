'use client'

import { type Dimension } from '@/core/kinds/dimension/dimension'
import { length3, sub3 } from '@/core/geometry/vector'
import { formatLength, formatSlope, toDegrees } from '@/core/model/units'
import { Fact } from '../../card/frame'
import { later } from '@/words/en/later'
import { useSite } from '../../context'
import { houseId } from '../../store/documents'
import { NameField } from '../name-field'

/** What it measures: from end to end, over the level, up, and the slope between. */
export function DimensionCard({ object: { id, name, from, to } }: { readonly object: Dimension }) {
  const { units, locale } = useSite()
  const { tapeFacts } = later
  const [x, y, up] = sub3(to, from)
  const level = Math.hypot(x, y)
  const slope = formatSlope(toDegrees(Math.atan2(Math.abs(up), level)), units, locale)
  return (
    <>
      <NameField documentId={houseId} id={id} name={name} />
      <Fact label={tapeFacts.direct} value={formatLength(length3([x, y, up]), units, locale)} unit="" />
      <Fact label={tapeFacts.level} value={formatLength(level, units, locale)} unit="" />
      <Fact label={tapeFacts.up} value={formatLength(Math.abs(up), units, locale)} unit="" />
      <Fact label={tapeFacts.slope} value={slope} unit="" />
    </>
  )
}
