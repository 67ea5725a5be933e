/** What goes wrong on a screen reaches the server's log: a few reports a visit, and never twice the same. */
const mostReports = 10

export function reportErrors(): () => void {
  const told = new Set<string>()
  const report = (error: unknown) => {
    const { message, stack } = error instanceof Error ? error : { message: String(error), stack: undefined }
    if (told.size >= mostReports || told.has(message)) return
    told.add(message)
    fetch('/api/browser-errors', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        message: message.slice(0, 1000),
        stack: stack?.slice(0, 8000) ?? null,
        page: window.location.pathname.slice(0, 300),
      }),
      keepalive: true,
    }).catch(() => undefined)
  }
  const onError = (event: ErrorEvent) => report(event.error ?? event.message)
  const onRejection = (event: PromiseRejectionEvent) => report(event.reason)
  window.addEventListener('error', onError)
  window.addEventListener('unhandledrejection', onRejection)
  return () => {
    window.removeEventListener('error', onError)
    window.removeEventListener('unhandledrejection', onRejection)
  }
}
