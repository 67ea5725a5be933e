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
import { useState } from 'react'
import { type Command } from './command-list'

/** The list of everything, or of the shortcuts. */
export function CommandDialog({
  shows,
  commands,
  onClose,
}: {
  readonly shows: 'commands' | 'shortcuts'
  readonly commands: readonly Command[]
  readonly onClose: () => void
}) {
  return (
    <Dialog open onClose={onClose} className="relative z-50 outline-none!">
      <DialogBackdrop className="fixed inset-0 bg-black/25" />
      <div className="fixed inset-x-0 top-24 flex justify-center">
        <DialogPanel className="max-h-[70vh] w-[28rem] overflow-y-auto rounded-xl border border-line bg-card p-3 shadow-2xl">
          <DialogTitle className="mb-2 font-semibold">
            {shows === 'shortcuts' ? 'Shortcuts' : 'Commands'}
          </DialogTitle>
          {shows === 'shortcuts' ? (
            <Shortcuts commands={commands} />
          ) : (
            <CommandSearch commands={commands} onDone={onClose} />
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
    ['Add to the selection, or take out', 'Shift click'],
    ['Select what a box holds', 'drag beside it'],
    ['Copy, cut and paste, into other jobs as well', 'Ctrl C, X, V'],
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
