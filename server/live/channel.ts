/** What screens of this process are told, by channel. */

type Listener = (event: LiveEvent) => void

/** An event as it crosses to a browser: plain JSON. */
export type LiveEvent = { readonly type: string } & Readonly<Record<string, unknown>>

const holder = globalThis as { tallGableChannels?: Map<string, Set<Listener>> }
const channels = () => (holder.tallGableChannels ??= new Map<string, Set<Listener>>())

export function listen(channel: string, listener: Listener): () => void {
  const listeners = channels().get(channel) ?? new Set()
  channels().set(channel, listeners)
  listeners.add(listener)
  return () => {
    listeners.delete(listener)
    if (listeners.size === 0) channels().delete(channel)
  }
}

export function announce(channel: string, event: LiveEvent): void {
  for (const listener of channels().get(channel) ?? []) listener(event)
}

/** The rest of the names of channels that somebody listens to. */
export const listenedTo = (kind: string): string[] =>
  [...channels().keys()].flatMap((name) => (name.startsWith(`${kind} `) ? [name.slice(kind.length + 1)] : []))
