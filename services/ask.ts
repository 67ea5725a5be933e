import { Fault } from '@/core/model/fault'

/** An answer of a service in an open form. */
export interface Answer {
  readonly status: number
  readonly text: () => Promise<string>
  readonly arrayBuffer?: () => Promise<ArrayBuffer>
}

/** Asks for a path below a service's address, such as `stations?lat=41.6&lon=-71.4`. */
export type Ask = (path: string, signal?: AbortSignal) => Promise<Answer>

/** @param base address of the service, without a slash at its end */
export const overHttp =
  (base: string): Ask =>
  (path, signal) =>
    fetch(`${base}/${path}`, signal ? { signal } : {})

/** The same, asked once more where no answer came: a connection that was closed while it lay idle is none. */
export const askedAgain =
  (ask: Ask): Ask =>
  (path, signal) =>
    ask(path, signal).catch((error: unknown) => {
      if (signal?.aborted) throw error
      return ask(path, signal)
    })

/**
 * The text of a good answer.
 * @throws Fault `service-away` when nothing answers, `service-refused` with the status
 */
export const textFrom = (ask: Ask, path: string, signal?: AbortSignal): Promise<string> =>
  goodAnswer(ask, path, (answer) => answer.text(), signal)

/** The bytes of one. @throws Fault as `textFrom` */
export const bytesFrom = (ask: Ask, path: string, signal?: AbortSignal): Promise<ArrayBuffer> =>
  goodAnswer(ask, path, (answer) => answer.arrayBuffer?.() ?? Promise.reject(new Error('no bytes')), signal)

async function goodAnswer<T>(
  ask: Ask,
  path: string,
  read: (answer: Answer) => Promise<T>,
  signal?: AbortSignal,
): Promise<T> {
  const away = (error: unknown): never => {
    if (signal?.aborted) throw error
    // Neither asked nor answered to the end.
    throw new Fault('service-away')
  }
  const answer = await ask(path, signal).catch(away)
  if (answer.status !== 200) throw new Fault('service-refused', { status: answer.status })
  return read(answer).catch(away)
}
