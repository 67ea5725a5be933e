/** The built application on a database of its own. */
export interface TestServer {
  readonly address: string
  readonly databaseUrl: string
  readonly stop: () => Promise<void>
}

export function startTestServer(name: string): Promise<TestServer>
