'use client'

import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogBackdrop,
  DialogPanel,
  DialogTitle,
} from '@headlessui/react'
import { useEffect, useMemo, useState } from 'react'
import { useBench, useSession } from '../context'
import { commandsOf, type Command } from './command-list'

/** Keyboard: shortcuts at once, Ctrl-K for the list of everything, "?" for the list of shortcuts. */
export function Commands() {
  const bench = useBench()
  const { session, tools } = bench
  const dialog = useSession((s) => s.dialog)
  const commands = useMemo(() => commandsOf(bench), [bench])
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (session.getState().dialog) return
      const target = event.target instanceof HTMLElement ? event.target : null
      if (target?.closest('input, select, textarea, [contenteditable], [role="slider"]')) return
      const control = event.ctrlKey || event.metaKey
      if (!control && tools.chart.key({ key: event.key, shift: event.shiftKey })) {
        event.preventDefault()
        return
      }
      if (event.key === 'Escape') {
        tools.chart.cancel()
        return
      }
      const command = commands.find((c) => c.matches(event, control))
      if (!command) return
      event.preventDefault()
      command.run()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [commands, session, tools])
  const close = () => session.setState({ dialog: null })
  return (
    <Dialog
      open={dialog === 'commands' || dialog === 'shortcuts'}
      onClose={close}
      className="relative z-50 outline-none!"
    >
      <DialogBackdrop className="fixed inset-0 bg-black/25" />
      <div className="fixed inset-x-0 top-24 flex justify-center">
        <DialogPanel className="max-h-[70vh] w-[28rem] overflow-y-auto rounded-xl border border-line bg-card p-3 shadow-2xl">
          <DialogTitle className="mb-2 font-semibold">
            {dialog === 'shortcuts' ? 'Shortcuts' : 'Commands'}
          </DialogTitle>
          {dialog === 'shortcuts' ? (
            <Shortcuts commands={commands} />
          ) : (
            <CommandSearch commands={commands} onDone={close} />
          )}
        </DialogPanel>
      </div>
    </Dialog>
  )
}

function Shortcuts({ commands }: { readonly commands: readonly Command[] }) {
  const pointer = [
    ['Orbit', 'right drag'],
    ['Pan', 'middle drag'],
    ['Zoom', 'wheel'],
    ['While drawing: side length', 'type 4.5 Enter'],
    ['While drawing: length and azimuth', 'type 4.5 90° Enter'],
    ['While drawing: east and north of the last corner', 'type 4.5; -3 Enter'],
    ['Remove the last corner', 'Backspace'],
    ['No snapping', 'Shift'],
    ['Step through the modules of a selected array', 'arrows'],
    ['Nudge the selection', 'arrows, Shift: 10×'],
    ['Delete the selection', 'Delete'],
  ]
  const rows = [...commands.filter((c) => c.shortcut).map((c) => [c.label, c.shortcut]), ...pointer]
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-6 gap-y-1">
      {rows.map(([label, keys]) => (
        <div key={label} className="contents">
          <dt>{label}</dt>
          <dd className="text-right text-pencil">{keys}</dd>
        </div>
      ))}
    </dl>
  )
}

function CommandSearch({
  commands,
  onDone,
}: {
  readonly commands: readonly Command[]
  readonly onDone: () => void
}) {
  const [query, setQuery] = useState('')
  const found = commands.filter((c) => c.label.toLowerCase().includes(query.trim().toLowerCase()))
  return (
    <Combobox
      value={null}
      onChange={(command: Command | null) => {
        if (!command) return
        onDone()
        command.run()
      }}
    >
      <ComboboxInput
        autoFocus
        aria-label="Command"
        className="field mb-1"
        placeholder="Type to search"
        onChange={(event) => setQuery(event.target.value)}
      />
      <ComboboxOptions static className="max-h-80 overflow-y-auto">
        {found.map((command) => (
          <ComboboxOption
            key={command.label}
            value={command}
            className="flex cursor-pointer justify-between rounded px-2 py-1 data-focus:bg-verdigris-soft"
          >
            <span>{command.label}</span>
            <span className="text-pencil">{command.shortcut}</span>
          </ComboboxOption>
        ))}
        {found.length === 0 && <p className="px-2 py-1 text-pencil">No command found.</p>}
      </ComboboxOptions>
    </Combobox>
  )
}
