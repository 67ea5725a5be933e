/** The built application on a database of its own. */
export interface TestServer {
  readonly address: string
  readonly databaseUrl: string
  /** Where it keeps its data: logs, mail that stands in for sent. */
  readonly folder: string
  /** Whoever opens it becomes the first owner. */
  readonly ownerLink: () => string
  /** Ends the process that does long work, as if it had crashed. */
  readonly killWorker: () => void
  readonly startWorkerAgain: () => void
  readonly stop: () => Promise<void>
}

/** @param signIn `accounts` for one where people sign in */
export function startTestServer(name: string, signIn?: 'local' | 'accounts'): Promise<TestServer>
