'use client'

import { useStore } from 'zustand'
import { useBench } from '../context'
import { lazyPart } from '../lazy-parts'

const SavingDialog = lazyPart('SavingDialog')

/** Asks as soon as something stands between the edits and the database. */
export function Stopped() {
  const { outbox, line } = useBench()
  const isStopped = useStore(
    outbox.store,
    ({ conflicts, refused, status }) =>
      conflicts.length + refused.length > 0 || status === 'deleted' || status === 'signed-out',
  )
  const isDeleted = useStore(line.store, (s) => s.deleted)
  return isStopped || isDeleted ? <SavingDialog /> : null
}
