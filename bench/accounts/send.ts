/** What the server has answered: a value, or what was wrong with what was sent. */
export type Sent =
  | { readonly value: Readonly<Record<string, unknown>>; readonly fault: null }
  | { readonly code: string; readonly fault: string }

type Plain = Readonly<Record<string, unknown>>
const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null

/**
 * Sends what was typed, as JSON, or a file as it is. What the own server answers is looked at by hand: whoever signs in fetches no library
 * for it.
 */
export async function send(url: string, method: string, body?: object): Promise<Sent> {
  try {
    const answer = await fetch(url, {
      method,
      ...(body instanceof Blob
        ? { body }
        : body && { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
    })
    const value: unknown = await answer.json()
    if (answer.ok) return { value: isPlain(value) ? value : {}, fault: null }
    const error = isPlain(value) && isPlain(value['error']) ? value['error'] : {}
    const { code, message } = error
    if (typeof code !== 'string' || typeof message !== 'string')
      return { code: '', fault: `The server answered ${answer.status}. Try again.` }
    return { code, fault: message }
  } catch (error) {
    if (!(error instanceof TypeError || error instanceof SyntaxError)) throw error
    return { code: '', fault: 'The server does not answer. Try again in a moment.' }
  }
}
