import { type Check, type Remedy } from '@/core/model/ledger'
import { checks, remedies } from './en/checks'
import { type Sayer } from './sayer'

/** A broken rule in words: a title, and what is wrong and what to do; English so far. */
export function saidCheck(
  sayer: Sayer,
  { code, data }: Pick<Check, 'code' | 'data'>,
): { readonly title: string; readonly message: string } {
  const { title, message } = checks[code]
  return { title: sayer.say(title, data), message: sayer.say(message, data) }
}

/** What one click does about it. */
export const saidRemedy = ({ code }: Pick<Remedy, 'code'>): string => remedies[code]
