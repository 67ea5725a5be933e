import { type Alteration } from '@/core/kinds/alteration/alteration'
import { coverId } from '@/core/kinds/cover/cover'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { type AnyObject } from '@/core/kinds/index'
import { lossesId } from '@/core/kinds/losses/losses'
import { offerId } from '@/core/kinds/offer/offer'
import { storageId } from '@/core/kinds/storage/storage'

/** What an option has otherwise than another: a field of both, or a what-if of one. */
export type Difference =
  | {
      readonly what: 'field'
      readonly field: string
      readonly ours: AnyObject
      readonly theirs: AnyObject
    }
  | { readonly what: 'alteration'; readonly of: string; readonly ours: boolean }

/** In the order of the chapters. */
const singles = [coverId, electricalId, lossesId, storageId, offerId]
const ownWords = new Set(['id', 'kind', 'name'])
/** What says nothing where there is no battery. */
const ofBattery = new Set(['count', 'reserve', 'rule', 'gridCharging', 'backup'])

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

/** Fields that the two have otherwise, chapter by chapter, then what only one of them assumes. */
export function differences(ours: Objects, theirs: Objects): Difference[] {
  const found: Difference[] = []
  for (const id of singles) {
    const [one, other] = [ours[id], theirs[id]]
    if (!one || !other) continue
    const skip = one.kind === 'storage' && other.kind === 'storage' && !(one.batteryId && other.batteryId)
    for (const field of Object.keys(one)) {
      if (ownWords.has(field) || (skip && ofBattery.has(field))) continue
      if (!same(one[field as keyof AnyObject], other[field as keyof AnyObject]))
        found.push({ what: 'field', field, ours: one, theirs: other })
    }
  }
  const assumed = (objects: Objects, other: Objects, mine: boolean): Difference[] =>
    ofKind(objects, 'alteration')
      .filter((one) => !ofKind(other, 'alteration').some((two) => alike(one, two)))
      .map(({ of }) => ({ what: 'alteration', of, ours: mine }))
  return [...found, ...assumed(ours, theirs, true), ...assumed(theirs, ours, false)]
}

const alike = ({ id: _a, ...one }: Alteration, { id: _b, ...two }: Alteration): boolean => same(one, two)
