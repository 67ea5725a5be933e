import { Fault } from '@/core/model/fault'
import { checkPassword, hashPassword, isPassword } from './passwords'

const faultOf = (password: string, known: readonly string[] = []) => {
  try {
    checkPassword(password, known)
    return null
  } catch (error) {
    if (error instanceof Fault) return error.code
    throw error
  }
}

test('a password is hashed with argon2id and a salt of its own, and known again', async () => {
  const [one, other] = await Promise.all([hashPassword('lamp kettle moss'), hashPassword('lamp kettle moss')])
  expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
  expect(one).not.toBe(other)
  expect(await isPassword('lamp kettle moss', one)).toBe(true)
  expect(await isPassword('lamp kettle mos', one)).toBe(false)
  expect(await isPassword('lamp kettle moss', undefined)).toBe(false)
  // The same letters, however a keyboard puts them together.
  expect(await isPassword('cafe\u0301 kettle moss', await hashPassword('caf\u00e9 kettle moss'))).toBe(true)
})

test('passwords that are short, common, repeated or made of one’s own name are refused', () => {
  expect(faultOf('kettle moss')).toBe('short-password')
  expect(faultOf('ö'.repeat(12).slice(0, 11))).toBe('short-password')
  expect(faultOf('lamp '.repeat(41))).toBe('long-password')
  for (const easy of ['password1234', 'aaaaaaaaaaaa', 'qwertyuiopas', '123456789012', 'passwordpassword'])
    expect({ easy, fault: faultOf(easy) }).toEqual({ easy, fault: 'easy-password' })
  expect(faultOf('ada.fairweather', ['Ada Fairweather', 'ada@example.org'])).toBe('easy-password')
  for (const good of ['lamp kettle moss seven', 'Tq7-vhx2-99k-pe', 'x'.repeat(4) + 'Grünspan Ziegel 48'])
    expect({ good, fault: faultOf(good, ['Ada Fairweather']) }).toEqual({ good, fault: null })
})
