'use client'

import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react'
import { type ReactNode } from 'react'

/** A large sheet over the bench with a title; Esc or a click beside it puts it away. */
export function Sheet({
  title,
  children,
  onClose,
}: {
  readonly title: string
  readonly children: ReactNode
  readonly onClose: () => void
}) {
  return (
    <Dialog open onClose={onClose} className="relative z-50">
      <DialogBackdrop className="fixed inset-0 bg-black/25" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel className="flex max-h-full w-[60rem] max-w-full flex-col rounded-lg border border-line bg-card shadow-xl">
          <div className="flex items-baseline gap-3 border-b border-line px-5 py-3">
            <DialogTitle className="flex-1 text-[16px] font-semibold">{title}</DialogTitle>
            <button type="button" className="button" onClick={onClose}>
              Close
            </button>
          </div>
          <div className="min-h-0 overflow-y-auto px-5 py-4">{children}</div>
        </DialogPanel>
      </div>
    </Dialog>
  )
}
