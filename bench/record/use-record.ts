'use client'

import { type AnyObject } from '@/core/kinds/index'
import { type Fault } from '@/core/model/fault'
import { later } from '@/words/en/later'
import { useBench, useSayer } from '../context'
import { houseId } from '../store/documents'
import { toast } from '../store/session'

/** How the entries of the record are added, changed and deleted: each one step that can be undone. */
export function useRecord() {
  const { documents, session } = useBench()
  const sayer = useSayer()
  return {
    add: (label: string, objects: readonly AnyObject[]): Fault | null =>
      documents.edit(label, houseId, (before) => ({
        ...before,
        ...Object.fromEntries(objects.map((object) => [object.id, object])),
      })).fault,
    set: (label: string, id: string, fields: Readonly<Record<string, unknown>>) =>
      documents.set(label, houseId, id, fields),
    remove: ({ id, kind }: AnyObject, name = sayer.words.kinds[kind].one) => {
      const { step } = documents.edit(`Delete ${name}`, houseId, (before) =>
        Object.fromEntries(Object.entries(before).filter(([other]) => other !== id)),
      )
      toast(session, sayer.say(later.record.removed, { name }), step)
    },
  }
}

/** Today's day where the reader is. */
export const today = (): string => dayOf(new Date())

/** The day of a moment where the reader is. */
export const dayOf = (at: Date): string =>
  [
    String(at.getFullYear()).padStart(4, '0'),
    String(at.getMonth() + 1).padStart(2, '0'),
    String(at.getDate()).padStart(2, '0'),
  ].join('-')
