/** Next calls this once when a server process begins. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return
  const { warmUp } = await import('./server/warm-up')
  void warmUp()
}
