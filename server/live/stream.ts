import { log } from '../log'
import { openStreams } from '../metrics'
import { listen, type LiveEvent } from './channel'
import { wakePoller } from './poller'

const holder = globalThis as { tallGableStreams?: Set<() => void> }
const ends = () => (holder.tallGableStreams ??= new Set<() => void>())

/** Closes all streams, so that the process can end; browsers come back by themselves. */
export function endStreams(): void {
  for (const end of [...ends()]) end()
}

/** Keeps proxies from closing a stream on which nothing happens. */
const heartbeatMs = 10_000

/**
 * A channel as server-sent events, until the browser goes.
 * @param isStillIn asked now and then: whoever has left the team, or whose link was withdrawn, hears no more
 * @param begin what is said first; asked for after listening has begun, so that nothing falls between
 */
export function eventStream(
  signal: AbortSignal,
  channel: string,
  begin: () => Promise<readonly LiveEvent[]>,
  isStillIn: () => Promise<boolean>,
): Response {
  const encoder = new TextEncoder()
  let end = () => {}
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      let open = true
      const write = (text: string) => {
        if (!open) return
        try {
          controller.enqueue(encoder.encode(text))
        } catch {
          // The browser went while this was said.
          end()
        }
      }
      const say = (event: LiveEvent) => write(`data: ${JSON.stringify(event)}\n\n`)
      const stop = listen(channel, say)
      const stopStream = () => end()
      const heart = setInterval(() => {
        write(': still here\n\n')
        // While the database is away nobody is sent away.
        isStillIn().then(
          (isIn) => {
            if (!isIn) end()
          },
          () => undefined,
        )
      }, heartbeatMs)
      openStreams.inc()
      ends().add(stopStream)
      end = () => {
        if (!open) return
        open = false
        stop()
        clearInterval(heart)
        openStreams.dec()
        ends().delete(stopStream)
        try {
          controller.close()
        } catch {
          // Closed from the other end.
        }
      }
      signal.addEventListener('abort', end, { once: true })
      wakePoller()
      write('retry: 1000\n\n')
      try {
        for (const event of await begin()) say(event)
      } catch (error) {
        log.warn({ channel, error: error instanceof Error ? error.message : 'unknown' }, 'stream')
        end()
      }
    },
    cancel: () => end(),
  })
  return new Response(body, {
    headers: {
      'Content-Type': 'text/event-stream; charset=utf-8',
      // Not to be gathered up by whoever compresses.
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    },
  })
}
