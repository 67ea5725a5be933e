import { sealData, unsealData } from 'iron-session'

/** The key that seals what only this server may read. */
export function secret(): string {
  const password = process.env['SESSION_SECRET']
  if (!password || password.length < 32)
    throw new Error('SESSION_SECRET must be set to at least 32 characters')
  return password
}

/** Text that only this server can read again. */
export const seal = (text: string): Promise<string> => sealData({ text }, { password: secret(), ttl: 0 })

/** The text again; null when it was sealed with another key. */
export async function unseal(sealed: string): Promise<string | null> {
  const { text } = await unsealData<{ text?: string }>(sealed, { password: secret(), ttl: 0 }).catch(() => ({
    text: undefined,
  }))
  return text ?? null
}
