'use client'

import { useEffect, useState } from 'react'
import { type StageView } from '@/stage/stage-view'
import { later } from '@/words/en/later'
import { useBench, useSayer } from '../context'
import { middleOf } from '../tools/middle-of'
import { byAbout } from './comment-desk'
import { useAbout, useDesk } from './use-comments'

/** Where something open was said of what stands there: a mark that leads to it. */
export function CommentPins({ view }: { readonly view: StageView }) {
  const [, redraw] = useState(0)
  useEffect(() => view.onDraw(() => redraw((n) => n + 1)), [view])
  const { site } = useBench()
  const sayer = useSayer()
  const aboutOf = useAbout()
  const { threads } = useDesk()
  const open = byAbout((threads ?? []).filter(({ resolved }) => !resolved))
  return open.map(([about, { length: count }]) => {
    const middle = middleOf(site(), { kind: 'object', id: about })
    const at = middle && view.sight.project(middle)
    const { name, show } = aboutOf(about)
    if (!at || !show) return null
    const label = sayer.say(later.comments.pin, { count, what: name })
    return (
      <button
        key={about}
        type="button"
        aria-label={label}
        title={label}
        className="absolute h-5 min-w-5 -translate-x-1/2 -translate-y-1/2 cursor-pointer rounded-full border border-card bg-straw px-1 text-[12px] leading-4 font-semibold text-ink shadow"
        style={{ left: at[0], top: at[1] }}
        onClick={show}
      >
        {count}
      </button>
    )
  })
}
