import { codeAddress, newCodeKey, newSpareCodes, spareDigest, stepOfCode } from './codes'

/** The key of RFC 6238, appendix B: the text 12345678901234567890 in base 32. */
const published = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ'

test.each([
  [59, '287082'],
  [1_111_111_109, '081804'],
  [1_111_111_111, '050471'],
  [1_234_567_890, '005924'],
  [2_000_000_000, '279037'],
  [20_000_000_000, '353130'],
])('at %i s the code is that of the standard', (seconds, code) => {
  const step = Math.floor(seconds / 30)
  expect(stepOfCode(published, code, seconds * 1000)).toBe(step)
  // A clock that is one step off is taken, with the step that the code is of; two are not.
  expect(stepOfCode(published, code, (seconds + 30) * 1000)).toBe(step)
  expect(stepOfCode(published, code, (seconds - 30) * 1000)).toBe(step)
  expect(stepOfCode(published, code, (seconds + 60) * 1000)).toBeNull()
  expect(stepOfCode(published, `${code.slice(0, 3)} ${code.slice(3)}`, seconds * 1000)).toBe(step)
})

test('what is no code is none', () => {
  for (const text of ['', '1', '12345', '1234567', 'abcdef', '２８７０８２'])
    expect(stepOfCode(published, text, 59_000)).toBeNull()
})

test('keys are 160 bits, and an authenticator is told whose they are', () => {
  const key = newCodeKey()
  expect(key).toMatch(/^[A-Z2-7]{32}$/)
  expect(newCodeKey()).not.toBe(key)
  const address = new URL(codeAddress(key, 'ada@example.org'))
  expect([address.protocol, address.host]).toEqual(['otpauth:', 'totp'])
  expect(decodeURIComponent(address.pathname)).toBe('/Tall Gable:ada@example.org')
  expect(address.searchParams.get('secret')).toBe(key)
})

test('spare codes are ten that differ; case and strokes do not matter, whose they are does', () => {
  const codes = newSpareCodes()
  expect(new Set(codes).size).toBe(10)
  for (const code of codes) expect(code).toMatch(/^[a-z0-9]{5}-[a-z0-9]{5}$/)
  expect(spareDigest('ada', 'ABCDE fghjk')).toBe(spareDigest('ada', 'abcde-fghjk'))
  expect(spareDigest('eve', 'abcde-fghjk')).not.toBe(spareDigest('ada', 'abcde-fghjk'))
})
