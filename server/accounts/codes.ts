import { randomBytes } from 'node:crypto'
import { Secret, TOTP } from 'otpauth'
import { seal, unseal } from '../seal'
import { digestOf } from '../digest'
import { takeCodeStep, takeSpareCode, type Account } from '../sql/accounts'

/** Seconds that a code holds; one before and one after are taken too, for clocks differ. */
const stepSeconds = 30

const totpOf = (key: string, mail: string) =>
  new TOTP({
    issuer: 'Tall Gable',
    label: mail,
    secret: Secret.fromBase32(key),
    digits: 6,
    period: stepSeconds,
  })

/** A key for a second factor (RFC 6238), in base 32. */
export const newCodeKey = (): string => new Secret({ size: 20 }).base32

/** The key as an authenticator reads it from a picture. */
export const codeAddress = (key: string, mail: string): string => totpOf(key, mail).toString()

/** The step of time that a code is of, where it is right now; null where it is not. */
export function stepOfCode(key: string, code: string, now = Date.now()): number | null {
  const token = code.replace(/\s/g, '')
  // Other digits than these are as long to look at, but not in bytes.
  if (!/^[0-9]{6}$/.test(token)) return null
  const delta = totpOf(key, '').validate({ token, timestamp: now, window: 1 })
  return delta === null ? null : Math.floor(now / 1000 / stepSeconds) + delta
}

export const sealCodeKey = seal

/** Ten codes for the day that the second factor is lost: fifty bits each. */
export const newSpareCodes = (): string[] =>
  Array.from({ length: 10 }, () => {
    const text = [...randomBytes(10)].map((byte) => 'abcdefghjkmnpqrstvwxyz0123456789'[byte % 32]).join('')
    return `${text.slice(0, 5)}-${text.slice(5)}`
  })

export const spareDigest = (designerId: string, code: string): string =>
  digestOf(`${designerId} ${code.toLowerCase().replace(/[^a-z0-9]/g, '')}`)

/** What came of a code: `code` or `spare`, by what it was; null where it was wrong or has been used. */
export async function takeCode(account: Account, code: string): Promise<'code' | 'spare' | null> {
  if (account.codeKey === null) return null
  const key = await unseal(account.codeKey)
  if (key === null) return null
  const step = stepOfCode(key, code)
  if (step !== null) return (await takeCodeStep(account.id, step)) === 1 ? 'code' : null
  return (await takeSpareCode(account.id, spareDigest(account.id, code))) === 1 ? 'spare' : null
}
