'use client'

import { useBench, useSession, useWords } from '../context'
import { type Chapter } from '../store/session'
import { type Tool } from '../tools/tool'

/** The tools of a chapter. */
export function ToolButtons({ chapter }: { readonly chapter: Chapter }) {
  const { allTools } = useBench()
  return allTools
    .filter((tool) => tool.chapter === chapter && tool.id !== 'select')
    .map((tool) => <ToolButton key={tool.id} tool={tool} />)
}

/** Takes a tool in hand; again puts it down. */
function ToolButton({ tool: { id, key } }: { readonly tool: Tool }) {
  const { tools } = useBench()
  const { button, command } = useWords().tools[id]
  const active = useSession((s) => s.tool === id)
  return (
    <button
      type="button"
      aria-pressed={active}
      title={`${command} (${key})`}
      onClick={() => tools.take(active ? 'select' : id)}
      className={`flex h-8 cursor-pointer items-center justify-between rounded-md border px-2 text-left ${active ? 'border-verdigris bg-verdigris text-on-verdigris' : 'border-line bg-card hover:border-pencil'}`}
    >
      {button}
      <kbd className={`font-sans text-[12px] ${active ? '' : 'text-pencil'}`}>{key}</kbd>
    </button>
  )
}
