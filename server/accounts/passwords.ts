import { hash, verify } from '@node-rs/argon2'
import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common'
import { Fault } from '@/core/model/fault'

/** Length of a password in characters; longer ones are refused, for hashing them takes time. */
export const passwordLength = { least: 12, most: 200 } as const

/** The library counts argon2id as 2; its enumeration is not there where files are compiled one by one. */
const argon2id = 2

/** 19 MiB, two passes, one lane: the least that OWASP names for argon2id; about 20 ms on a thread of its own. */
const cost = { algorithm: argon2id, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const

/** The hash of a password as it is kept: with its parameters and a salt of its own. */
export const hashPassword = (password: string): Promise<string> => hash(password.normalize('NFC'), cost)

let nobodys: Promise<string> | null = null

/**
 * Whether a password is the one that was hashed. Without a hash the answer is no and takes as long, so that nobody learns
 * by the clock who has an account.
 */
export async function isPassword(password: string, hashed: string | undefined): Promise<boolean> {
  const against = hashed ?? (await (nobodys ??= hashPassword('nobody’s password')))
  return (await verify(against, password.normalize('NFC'))) && hashed !== undefined
}

let judge: ZxcvbnFactory | null = null

/** Guesses that a password takes, as a power of ten, at the least. */
const leastGuesses = 10

/**
 * Refuses what is short, common, or made of what everybody knows of somebody (Wheeler 2016 counts the guesses).
 * @param known name and mail address of whoever chooses it
 * @throws Fault `short-password`, `long-password`, `easy-password`
 */
export function checkPassword(password: string, known: readonly string[]): void {
  const length = [...password].length
  if (length < passwordLength.least) throw new Fault('short-password', { least: passwordLength.least })
  if (length > passwordLength.most) throw new Fault('long-password', { most: passwordLength.most })
  judge ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs })
  const words = known
    .flatMap((text) => text.toLowerCase().split(/[^\p{L}\p{N}]+/u))
    .filter(({ length: l }) => l > 2)
  // Counting takes time that grows with the length, and what is long enough by then is not guessed.
  if (judge.check(password.slice(0, 64), words).guessesLog10 < leastGuesses) throw new Fault('easy-password')
}
