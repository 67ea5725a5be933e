/** A browser without a page: it keeps its cookie and speaks to one server. */
export class Visitor {
  readonly #address: string
  #cookie = ''

  constructor(address: string) {
    this.#address = address
  }

  /** Signs in as the designer of this machine. */
  async enter(): Promise<void> {
    this.#keep(await fetch(`${this.#address}/enter`, { redirect: 'manual' }))
  }

  /** Takes an invitation. */
  async join(secret: string, given: object): Promise<void> {
    this.#keep(await this.send(`/invitation/${secret}/join`, given))
  }

  #keep(answer: Response): void {
    this.#cookie = (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? ''
    if (!this.#cookie) throw new Error(`no sign-in: ${answer.status}`)
  }

  ask(
    path: string,
    { headers, ...init }: RequestInit & { headers?: Record<string, string> } = {},
  ): Promise<Response> {
    return fetch(`${this.#address}${path}`, {
      redirect: 'manual',
      signal: AbortSignal.timeout(180_000),
      ...init,
      headers: { cookie: this.#cookie, ...headers },
    })
  }

  send(path: string, value: unknown, method = 'POST'): Promise<Response> {
    return this.ask(path, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(value),
    })
  }

  /** A new job from a file's content; its id. */
  async import(file: unknown): Promise<string> {
    const answer = await this.send('/api/jobs/import', file)
    if (answer.status !== 201) throw new Error(`import: ${answer.status} ${await answer.text()}`)
    return ((await answer.json()) as { id: string }).id
  }
}
