import { type Instrumentation } from 'next'

/** Next calls this once when a server process begins. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return
  const { endStreams } = await import('./server/live/stream')
  process.once('SIGTERM', endStreams)
  const { keepTidying } = await import('./server/tidy')
  keepTidying()
  const { keepSending } = await import('./server/accounts/mail')
  keepSending()
  const { warmUp } = await import('./server/warm-up')
  void warmUp()
}

/** What went wrong while a page was made; routes tell their own. */
export const onRequestError: Instrumentation.onRequestError = async (
  error,
  { method, path },
  { routePath },
) => {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return
  const { log } = await import('./server/log')
  const { name, message, stack } =
    error instanceof Error ? error : { name: 'unknown', message: '', stack: '' }
  // A link is a secret: the path of its page stays out.
  log.error(
    {
      method,
      path: /^\/(offer|invitation|password|link)\//.test(path) ? routePath : path,
      error: { name, message, stack },
    },
    'page',
  )
}
