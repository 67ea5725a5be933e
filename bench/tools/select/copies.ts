import { carrierOf } from '@/core/kinds/removed'
import { type Vec2 } from '@/core/geometry/vector'
import { type Objects } from '@/core/kinds/documents'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { newId } from '@/core/model/new-id'
import { houseId } from '../../store/documents'
import { type ToolContext } from '../chart'
import { nameAmong } from '../placing'
import { movedBy } from './company'

/** Objects that are copied, and what lies on them by option; or the same from elsewhere. */
export interface Originals {
  readonly house: readonly AnyObject[]
  /** Of each option by its id: what stands in the open, and modules that lie on what is copied. */
  readonly options: Readonly<Record<string, readonly AnyObject[]>>
}

/** The originals of objects: with the modules on them in every option. */
export function originalsOf(context: ToolContext, objects: readonly AnyObject[]): Originals {
  const ids = new Set(objects.map(({ id }) => id))
  const { documents, session } = context
  const { optionId } = session.getState()
  const lying = (option: Objects) =>
    Object.values(option).filter((one) => ids.has(carrierOf(option, one.id)?.liesOn(one) ?? ''))
  return {
    house: objects.filter((object) => kindOf(object).document === 'house'),
    options: Object.fromEntries(
      documents.options.map((option) => [
        option.id,
        [
          // What is chosen of an option is chosen of the one on the screen.
          ...(option.id === optionId ? objects.filter((one) => kindOf(one).document === 'option') : []),
          ...lying(option.objects),
        ],
      ]),
    ),
  }
}

/**
 * Shows copies of objects, moved by so much, beside whatever is there; modules lie on the copy of what they lay on.
 * @returns the copies' ids by their originals'
 */
export function previewCopies(
  context: ToolContext,
  originals: Originals,
  by: Vec2,
): ReadonlyMap<string, string> {
  const { documents } = context
  const copyIds = new Map<string, string>()
  const show = (documentId: string, objects: readonly AnyObject[]) => {
    for (const { id, kind } of objects) copyIds.set(id, newId(kind, context.random))
    if (objects.length > 0)
      documents.preview(documentId, (before) =>
        objects.reduce((after, original) => {
          const copy = copyOf(context, after, original, copyIds, by)
          return { ...after, [copy.id]: copy }
        }, before),
      )
  }
  show(houseId, originals.house)
  for (const [optionId, objects] of Object.entries(originals.options)) show(optionId, objects)
  return copyIds
}

function copyOf(
  context: ToolContext,
  among: Objects,
  original: AnyObject,
  copyIds: ReadonlyMap<string, string>,
  by: Vec2,
): AnyObject {
  const { carrier } = kindOf(original).standing ?? {}
  const owner = carrier?.liesOn(original) ?? null
  const newOwner = owner === null ? undefined : copyIds.get(owner)
  const others = Object.values(among).filter(({ kind }) => kind === original.kind)
  return {
    ...original,
    ...movedBy(original, by),
    ...(newOwner === undefined ? {} : carrier?.laidOn(original, newOwner)),
    // A copy is there to be put elsewhere.
    ...('locked' in original ? { locked: false } : {}),
    ...('name' in original ? { name: nameAmong(context, original.kind, others) } : {}),
    id: copyIds.get(original.id) ?? original.id,
    // The copy is still of its original's own kind.
  } as AnyObject
}
