import { randomUUID } from 'node:crypto'
import { PNG } from 'pngjs'
import { contrastWithWhite, leastContrast } from '@/core/model/colour'
import { Fault } from '@/core/model/fault'
import { seededRandom } from '@/core/model/random'
import { letterheadMost, usualColour } from '@/core/papers/letterhead'
import { transaction } from './database'
import { letterheadOf, letterheadSchema, removeLogo, setLetterhead, setLogo } from './letterhead'
import { manyNotes } from './sql/audit'
import { insertTeam } from './sql/people'
import { openTestDatabase } from './testing'

const close = await openTestDatabase()
afterAll(close)

const team = async () => {
  const id = randomUUID()
  await transaction('team', (runner) => insertTeam(id, 'Gull Lane', runner))
  return id
}
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => 'kept',
    (error: unknown) => (error instanceof Fault ? error.code : String(error)),
  )
const png = (width: number, height: number) => new Uint8Array(PNG.sync.write(new PNG({ width, height })))
const bare = { licence: '', postal: '', phone: '', mail: '', web: '' }
const designerId = randomUUID()
const by = (teamId: string) => ({ teamId, id: designerId, place: 'here' })
const set = (teamId: string, typed: object) => setLetterhead(by(teamId), letterheadSchema.parse(typed))

test('until there is a letterhead the team’s name stands; texts, colour and logo are kept each by itself', async () => {
  const [mine, theirs] = [await team(), await team()]
  const nothing = { ...bare, name: 'Gull Lane', colour: usualColour, logo: null }
  expect(await letterheadOf(mine)).toEqual(nothing)
  // A logo first: the name is still the team's.
  const logo = png(20, 10)
  await setLogo(by(mine), logo)
  const address = `data:image/png;base64,${Buffer.from(logo).toString('base64')}`
  expect(await letterheadOf(mine)).toEqual({ ...nothing, logo: address })
  await set(mine, { name: ' Gull\n  Lane  Solar ', licence: 'SB-1', mail: 'a@b.example', colour: '#23445E' })
  const kept = { ...bare, name: 'Gull Lane Solar', licence: 'SB-1', mail: 'a@b.example', colour: '#23445e' }
  expect(await letterheadOf(mine)).toEqual({ ...kept, logo: address })
  await removeLogo(by(mine))
  expect(await letterheadOf(mine)).toEqual({ ...kept, logo: null })
  // What is left out is emptied, and nobody else's is touched.
  await set(mine, { name: 'G', colour: '#000000' })
  expect(await letterheadOf(mine)).toEqual({ ...bare, name: 'G', colour: '#000000', logo: null })
  expect(await letterheadOf(theirs)).toEqual(nothing)
  expect(await codeOf(letterheadOf(randomUUID()))).toBe('no-such-member')
  // Each change is noted with what it was; what was refused is not.
  await codeOf(set(mine, { name: 'Pale', colour: '#ffffff' }))
  expect((await manyNotes(mine, 9)).map(({ what, about, place }) => [what, about, place])).toEqual([
    ['letterhead-set', 'G', 'here'],
    ['logo-removed', '', 'here'],
    ['letterhead-set', 'Gull Lane Solar', 'here'],
    ['logo-set', '', 'here'],
  ])
  expect(await manyNotes(theirs, 9)).toEqual([])
})

test('of 300 seeded colours those that can be read on paper are kept, and no other', async () => {
  const mine = await team()
  const random = seededRandom(12)
  const counts = { kept: 0, 'pale-colour': 0 }
  for (let k = 0; k < 300; k++) {
    const colour = `#${Math.floor(random() * 0x1000000)
      .toString(16)
      .padStart(6, '0')}`
    const code = await codeOf(set(mine, { name: 'G', colour }))
    expect(code).toBe(contrastWithWhite(colour) >= leastContrast ? 'kept' : 'pale-colour')
    counts[code as keyof typeof counts]++
    if (code === 'kept') expect((await letterheadOf(mine)).colour).toBe(colour)
  }
  expect(Math.min(...Object.values(counts))).toBeGreaterThan(50)
})

test('texts have their longest, a name is needed, a mail address is one, a colour is six digits', async () => {
  const good = { name: 'G', colour: '#000000' }
  const reads = (typed: object) => letterheadSchema.safeParse({ ...good, ...typed }).success
  expect(reads({})).toBe(true)
  for (const [field, most] of Object.entries(letterheadMost)) {
    if (field === 'mail') continue
    expect(reads({ [field]: 'x'.repeat(most) })).toBe(true)
    expect(reads({ [field]: 'x'.repeat(most + 1) })).toBe(false)
  }
  for (const bad of [{ name: ' \t' }, { colour: 'red' }, { colour: '#fff' }, { logo: 'x' }])
    expect({ bad, reads: reads(bad) }).toEqual({ bad, reads: false })
  const mine = await team()
  expect(await codeOf(set(mine, { ...good, mail: 'no address' }))).toBe('not-a-mail-address')
  expect(await codeOf(set(mine, { ...good, mail: 'a@b' }))).toBe('not-a-mail-address')
  expect(await codeOf(set(mine, { ...good, mail: ' a@b.example ' }))).toBe('kept')
})

test('a logo is a whole picture, small enough to go along with each offer', async () => {
  const mine = await team()
  const text = (of: string) => new TextEncoder().encode(of)
  expect(await codeOf(setLogo(by(mine), text('<svg onload="alert(1)"></svg>')))).toBe('not-a-logo')
  expect(await codeOf(setLogo(by(mine), png(20, 10).slice(0, 20)))).toBe('broken-picture')
  // Its head is right and its end is missing.
  expect(await codeOf(setLogo(by(mine), png(20, 10).slice(0, -1)))).toBe('broken-picture')
  expect(await codeOf(setLogo(by(mine), png(1201, 2)))).toBe('logo-size')
  expect(await codeOf(setLogo(by(mine), png(1200, 2)))).toBe('kept')
  expect(await codeOf(setLogo(by(mine), new Uint8Array(300_001)))).toBe('too-large')
  expect((await letterheadOf(mine)).logo).toBe(
    `data:image/png;base64,${Buffer.from(png(1200, 2)).toString('base64')}`,
  )
})
