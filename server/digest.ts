import { createHash, randomBytes } from 'node:crypto'

/** SHA-256 in hexadecimal: what is kept of a secret that nobody can guess. */
export const digestOf = (content: string | Uint8Array): string =>
  createHash('sha256').update(content).digest('hex')

/** A secret that nobody can guess, fit for an address: 256 bits. */
export const newSecret = (): string => randomBytes(32).toString('base64url')
