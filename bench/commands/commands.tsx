'use client'

import { useEffect, useMemo } from 'react'
import { useBench, useSession } from '../context'
import { lazyPart } from '../lazy-parts'
import { useToolContext } from '../use-tool-context'
import { followClipboard } from './clipboard'
import { commandsOf } from './command-list'

const CommandDialog = lazyPart('CommandDialog')

/** Keyboard: shortcuts at once, Ctrl-K for the list of everything, "?" for the list of shortcuts. */
export function Commands() {
  const bench = useBench()
  const { session, tools } = bench
  const dialog = useSession((s) => s.dialog)
  const context = useToolContext()
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
  useEffect(
    () =>
      followClipboard(
        context,
        () => tools.pointer,
        () => tools.chart.id === 'select' && session.getState().dialog === null,
      ),
    [context, session, tools],
  )
  const close = () => session.setState({ dialog: null })
  return dialog === 'commands' || dialog === 'shortcuts' ? (
    <CommandDialog shows={dialog} commands={commands} onClose={close} />
  ) : null
}
