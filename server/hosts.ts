import { Fault } from '@/core/model/fault'
import { digestOf } from './digest'

const loopback = /^(localhost|127\.0\.0\.1|\[::1\])(:\d{1,5})?$/

/** Whether a Host header names this very machine. */
export const isLoopback = (host: string | null): boolean => host !== null && loopback.test(host)

/** Whether people sign in with accounts; on one's own machine, where the start command says so, there are none. */
export const hasAccounts = (): boolean => process.env['SIGN_IN'] !== 'local'

/**
 * Whether whoever runs this server asks: on one's own machine, whoever asks it under its own name; elsewhere, whoever says
 * the word in `METRICS_SECRET` (as `Authorization: Bearer`).
 */
export function isOperator(headers: Pick<Headers, 'get'>): boolean {
  if (!hasAccounts() && isLoopback(headers.get('host'))) return true
  const word = process.env['METRICS_SECRET']
  // Digests are compared: how long that takes tells nothing of the word.
  return word ? digestOf(headers.get('authorization') ?? '') === digestOf(`Bearer ${word}`) : false
}

/**
 * Other names that this server answers to come with `HOSTS`, separated by commas; a name that somebody else points here
 * is none of them.
 * @throws Fault `wrong-host`
 */
export function checkHost(host: string | null): void {
  if (isLoopback(host)) return
  const names = (process.env['HOSTS'] ?? '').split(',').map((name) => name.trim())
  if (!host || !names.includes(host)) throw new Fault('wrong-host')
}

/**
 * Where a request comes from: what the proxy in front of this server says, which adds the address at the end; without one
 * there is only this machine. What a client claims for itself counts for nothing.
 */
export const addressOf = (headers: Pick<Headers, 'get'>): string =>
  (process.env['HOSTS'] ? headers.get('x-forwarded-for')?.split(',').at(-1)?.trim() : undefined) ?? 'here'
