'use client'

import { useBench, useSession } from '../context'
import { type ToolId } from '../store/session'

/** Takes a tool in hand; again puts it down. */
export function ToolButton({
  tool,
  label,
  shortcut,
}: {
  readonly tool: ToolId
  readonly label: string
  readonly shortcut: string
}) {
  const { tools } = useBench()
  const active = useSession((s) => s.tool === tool)
  return (
    <button
      type="button"
      aria-pressed={active}
      title={`${label} (${shortcut})`}
      onClick={() => tools.take(active ? 'select' : tool)}
      className={`flex h-8 cursor-pointer items-center justify-between rounded-md border px-2 text-left ${active ? 'border-verdigris bg-verdigris text-on-verdigris' : 'border-line bg-card hover:border-pencil'}`}
    >
      {label}
      <kbd className={`font-sans text-[12px] ${active ? '' : 'text-pencil'}`}>{shortcut}</kbd>
    </button>
  )
}
