'use client'

import { useEffect, useMemo } from 'react'
import { useBench, useSession } from '../context'
import { fetchLaterParts, lazyPart } from '../lazy-parts'
import { needsNetworkOnce, toast } from '../store/session'
import { type ToolContext } from '../tools/chart'
import { useToolContext } from '../use-tool-context'
import { commandsOf } from './command-list'

const CommandDialog = lazyPart('CommandDialog')

/** Keyboard: shortcuts at once, Ctrl-K for the list of everything, "?" for the list of shortcuts. */
export function Commands() {
  const bench = useBench()
  const { session, tools } = bench
  const dialog = useSession((s) => s.dialog)
  const context = useToolContext()
  const commands = useMemo(
    () =>
      commandsOf(bench, (deed) => {
        if (!bench.tools.selects) return
        void fetchLaterParts().then(
          ({ deeds }) => deeds[deed](context),
          () => toast(bench.session, needsNetworkOnce),
        )
      }),
    [bench, context],
  )
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
  useClipboard(context)
  const close = () => session.setState({ dialog: null })
  return dialog === 'commands' || dialog === 'shortcuts' ? (
    <CommandDialog shows={dialog} commands={commands} onClose={close} />
  ) : null
}

/** Follows the clipboard from when something can be copied, or a key says that something may be pasted. */
function useClipboard(context: ToolContext): void {
  const { session, tools } = useBench()
  useEffect(() => {
    let end: (() => void) | null = null
    let begun = false
    const begin = () => {
      if (begun) return
      begun = true
      const canEdit = () => tools.selects && session.getState().dialog === null
      fetchLaterParts().then(
        ({ followClipboard }) => {
          if (begun) end = followClipboard(context, () => tools.pointer, canEdit)
        },
        // Without the network now: with the next key, or what is selected next.
        () => (begun = false),
      )
    }
    const onKey = ({ key }: KeyboardEvent) => (key === 'Control' || key === 'Meta') && begin()
    if (session.getState().selection) begin()
    const unsubscribe = session.subscribe(({ selection }) => selection && begin())
    window.addEventListener('keydown', onKey)
    return () => {
      begun = false
      end?.()
      unsubscribe()
      window.removeEventListener('keydown', onKey)
    }
  }, [context, session, tools])
}
