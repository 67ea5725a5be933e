import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test, type Browser, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'
import { TOTP } from 'otpauth'
import { startTestServer, type TestServer } from '../scripts/parts/test-server.mjs'

// They go on where the one before has come to.
test.describe.configure({ mode: 'serial' })

let server: TestServer
test.beforeAll(async () => {
  server = await startTestServer('accounts', 'accounts')
})
test.afterAll(() => server.stop())

const password = 'lamp kettle moss seven'

/** A browser of somebody's own. */
async function visitor(browser: Browser): Promise<Page> {
  return (await browser.newContext({ baseURL: server.address, reducedMotion: 'reduce' })).newPage()
}

/** The links of mails that lie in the data folder, to one address. */
const mailedTo = (mail: string): string[] => {
  const outbox = join(server.folder, 'outbox')
  if (!existsSync(outbox)) return []
  return readdirSync(outbox).flatMap((file) => {
    const text = readFileSync(join(outbox, file), 'utf8').replaceAll(/=\r?\n/g, '')
    return text.includes(`To: ${mail}`)
      ? (/http\S+(?:invitation|password)\/[\w-]{43}/.exec(text)?.[0] ?? [])
      : []
  })
}

async function signIn(page: Page, mail: string, word = password): Promise<void> {
  await page.getByLabel('Mail address').fill(mail)
  await page.getByLabel('Password', { exact: true }).fill(word)
  await page.getByRole('button', { name: 'Sign in' }).click()
}

test('an owner invites, signs in with a second factor, and shows the door', async ({ browser }) => {
  const owner = await visitor(browser)
  // Whoever comes without a link is asked to sign in, and comes back to where they wanted to go.
  await owner.goto('/team')
  await expect(owner).toHaveURL('/sign-in?to=%2Fteam')
  await expectAccessible(owner)

  await owner.goto(server.ownerLink())
  await owner.getByLabel('Name').fill('Imke Fairweather')
  await owner.getByLabel('Mail address').fill('imke@example.org')
  await owner.getByLabel('New password').fill('password1234')
  await owner.getByRole('button', { name: 'Join' }).click()
  await expect(owner.getByRole('main').getByRole('alert')).toContainText('too easily guessed')
  await owner.getByLabel('New password').fill(password)
  await owner.getByRole('button', { name: 'Join' }).click()
  await expect(owner.getByRole('heading', { name: 'Jobs' })).toBeVisible()

  await owner.getByRole('link', { name: 'Team' }).click()
  await owner.getByLabel('Mail address').fill('bo@example.org')
  await owner.getByLabel('Role', { exact: true }).selectOption('reader')
  await owner.getByRole('button', { name: 'Invite' }).click()
  await expect(owner.getByText('on its way to bo@example.org')).toBeVisible()
  await expect(owner.getByRole('button', { name: 'Withdraw invitation of bo@example.org' })).toBeVisible()
  await expectAccessible(owner)

  // The mail comes by itself.
  await expect.poll(() => mailedTo('bo@example.org').length, { timeout: 20_000 }).toBe(1)
  const reader = await visitor(browser)
  await reader.goto(mailedTo('bo@example.org')[0] ?? '')
  await expect(reader.getByText('bo@example.org is invited as a reader.')).toBeVisible()
  await expectAccessible(reader)
  await reader.getByLabel('Name').fill('Bo Winter')
  await reader.getByLabel('New password').fill('quarry lantern violet nine')
  await reader.getByRole('button', { name: 'Join' }).click()
  await expect(reader.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  // A reader makes no jobs, and what they try to change on the stage stays as it was.
  await expect(reader.getByLabel('New job: where is the house?')).toHaveCount(0)
  await expect(reader.getByRole('link', { name: 'Team' })).toHaveCount(0)
  await reader.getByRole('link', { name: 'Okafor-Lindqvist', exact: true }).click()
  const ledger = reader.getByRole('region', { name: 'Ledger' })
  await expect(ledger).toHaveAttribute('data-fresh', 'true', { timeout: 30_000 })
  await reader.keyboard.press('Control+a')
  await expect(reader.getByText('6 objects')).toBeVisible()
  await reader.keyboard.press('Delete')
  await expect(reader.getByText('You are here as a reader: this is for designers.')).toBeVisible()
  await reader.reload()
  await expect(ledger).toHaveAttribute('data-fresh', 'true', { timeout: 30_000 })
  await expect(reader.getByRole('button', { name: 'Undo' })).toBeDisabled()
  expect((await reader.goto('/team'))?.status()).toBe(404)

  // The second factor: turned on, asked for, and good once.
  await owner.goto('/account')
  const key = ((await owner.getByText(/^([A-Z2-7]{4} ){7}[A-Z2-7]{4}$/).textContent()) ?? '').replaceAll(
    ' ',
    '',
  )
  const code = () => new TOTP({ secret: key, digits: 6, period: 30 }).generate()
  await expectAccessible(owner)
  const turnOn = owner.getByRole('form', { name: 'Turn second factor on' })
  await turnOn.getByLabel('Code').fill('000000')
  await turnOn.getByLabel('Your password').fill(password)
  await turnOn.getByRole('button').click()
  await expect(turnOn.getByRole('alert')).toContainText('not right now')
  await turnOn.getByLabel('Code').fill(code())
  await turnOn.getByRole('button').click()
  await expect(owner.getByText('Keep these spare codes')).toBeVisible()
  const spare =
    (await owner
      .getByText(/^[a-z0-9]{5}-[a-z0-9]{5}$/)
      .first()
      .textContent()) ?? ''
  await owner.getByRole('button', { name: 'Sign out' }).click()
  await expect(owner).toHaveURL('/sign-in')
  await signIn(owner, 'imke@example.org', 'a wrong word here')
  await expect(owner.getByRole('main').getByRole('alert')).toContainText('is wrong')
  await signIn(owner, 'imke@example.org')
  await owner.getByLabel('Code').fill(code())
  await owner.getByRole('button', { name: 'Sign in' }).click()
  await expect(owner.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  // On another device with a spare code, and out of there from here.
  const elsewhere = await visitor(browser)
  await elsewhere.goto('/account')
  await signIn(elsewhere, 'imke@example.org')
  await elsewhere.getByLabel('Code').fill(spare)
  await elsewhere.getByRole('button', { name: 'Sign in' }).click()
  await expect(elsewhere).toHaveURL('/account')
  await expect(elsewhere.getByText('9 spare codes are left.')).toBeVisible()
  await owner.goto('/account')
  await owner.getByRole('button', { name: 'End all others' }).click()
  await expect(owner.getByRole('button', { name: 'End all others' })).toHaveCount(0)
  await elsewhere.reload()
  await expect(elsewhere).toHaveURL('/sign-in?to=%2Faccount')

  // Somebody who designs, for what comes next.
  await owner.goto('/team')
  await owner.getByLabel('Mail address').fill('cy@example.org')
  await owner.getByRole('button', { name: 'Invite' }).click()
  const handed = (await owner.getByText(/\/invitation\//).textContent()) ?? ''
  const designer = await visitor(browser)
  await designer.goto(handed)
  await designer.getByLabel('Name').fill('Cy Marsh')
  await designer.getByLabel('New password').fill(password)
  await designer.getByRole('button', { name: 'Join' }).click()
  await expect(designer.getByRole('heading', { name: 'Jobs' })).toBeVisible()

  // Off and on again is with another key.
  await owner.goto('/account')
  const turnOff = owner.getByRole('form', { name: 'Turn second factor off' })
  await turnOff.getByLabel('Your password').fill('a wrong word here')
  await turnOff.getByRole('button').click()
  await expect(turnOff.getByRole('alert')).toContainText('not your password')
  await turnOff.getByLabel('Your password').fill(password)
  await turnOff.getByRole('button').click()
  await expect(turnOn).toBeVisible()
  await expect(turnOn.getByText(/^([A-Z2-7]{4} ){7}[A-Z2-7]{4}$/)).toHaveCount(1)
  const other = (await turnOn.getByText(/^([A-Z2-7]{4} ){7}[A-Z2-7]{4}$/).textContent()) ?? ''
  expect(other.replaceAll(' ', '')).not.toBe(key)
  const newer = () => new TOTP({ secret: other.replaceAll(' ', ''), digits: 6, period: 30 }).generate()
  await turnOn.getByLabel('Code').fill(newer())
  await turnOn.getByLabel('Your password').fill(password)
  await turnOn.getByRole('button').click()
  await expect(owner.getByText('Keep these spare codes')).toBeVisible()

  // Whoever is taken out is out.
  await owner.goto('/team')
  await owner.getByRole('button', { name: 'Take out Bo Winter' }).click()
  await owner.getByRole('button', { name: 'Really take out Bo Winter' }).click()
  await expect(owner.getByRole('button', { name: 'Take out Bo Winter' })).toHaveCount(0)
  await expect(owner.getByRole('region', { name: 'What was done' })).toContainText('took out Bo Winter')
  await reader.goto('/')
  await expect(reader).toHaveURL('/sign-in')
  await signIn(reader, 'bo@example.org', 'quarry lantern violet nine')
  await expect(reader.getByRole('main').getByRole('alert')).toContainText('is wrong')
})

test('a link to one job lets somebody edit it, with its password, until it is withdrawn', async ({
  browser,
}) => {
  const owner = await visitor(browser)
  await owner.goto('/sign-in')
  await signIn(owner, 'cy@example.org')
  await expect(owner.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  await owner.getByRole('button', { name: 'Details of Okafor-Lindqvist' }).click()
  const links = owner.getByRole('region', { name: 'Links to Okafor-Lindqvist' })
  await links.getByLabel('For whom').fill('Roofer, Sam Holt')
  await links.getByLabel('May').selectOption('editor')
  await links.getByLabel('Password, if wanted').fill('thimble harbour cedar')
  await links.getByRole('button', { name: 'Make link' }).click()
  await expect(links).toContainText('to edit · with a password · until')
  await expect(links).toContainText('not opened yet')
  await expectAccessible(owner)
  const address = (await links.getByText(/\/link\//).textContent()) ?? ''

  const guest = await visitor(browser)
  await guest.goto(address)
  await guest.getByLabel('Password of the link').fill('a wrong one')
  await guest.getByRole('button', { name: 'Open' }).click()
  await expect(guest.getByRole('main').getByRole('alert')).toContainText('not the password')
  await expectAccessible(guest)
  await guest.getByLabel('Password of the link').fill('thimble harbour cedar')
  await guest.getByRole('button', { name: 'Open' }).click()
  const ledger = guest.getByRole('region', { name: 'Ledger' })
  await expect(ledger).toHaveAttribute('data-fresh', 'true', { timeout: 30_000 })
  await guest.getByRole('button', { name: /^Oak, garden/ }).click()
  await guest.keyboard.press('Delete')
  await expect(guest.getByText('Oak, garden deleted.')).toBeVisible()
  await expect(guest.locator('[data-save="saved"]')).toBeVisible()
  // It leads to this job alone.
  await guest.goto('/')
  await expect(guest).toHaveURL('/sign-in')
  await guest.goBack()

  await owner.reload()
  await owner.getByRole('button', { name: 'Details of Okafor-Lindqvist' }).click()
  await expect(links).toContainText('opened once')
  await links.getByRole('button', { name: 'Withdraw the link for Roofer, Sam Holt' }).click()
  await expect(links.getByText('Roofer, Sam Holt')).toHaveCount(0)
  await guest.goto(address)
  await expect(guest.getByRole('heading', { name: 'This link leads nowhere.' })).toBeVisible()
  // Who it was is told with what they did.
  await owner.getByRole('link', { name: 'Okafor-Lindqvist', exact: true }).click()
  await owner.getByRole('button', { name: 'History' }).click()
  await expect(owner.getByText('Roofer, Sam Holt').first()).toBeVisible()
})

test('a forgotten password is set anew by the link that is mailed', async ({ browser }) => {
  const page = await visitor(browser)
  await page.goto('/sign-in')
  await page.getByRole('link', { name: 'Password forgotten?' }).click()
  await expect(page.getByRole('heading', { name: 'Password forgotten' })).toBeVisible()
  await page.getByLabel('Mail address').fill('imke@example.org')
  await page.getByRole('button', { name: 'Send a link' }).click()
  await expect(page.getByRole('main').getByRole('status')).toContainText('a link is on its way')
  await expectAccessible(page)
  await expect.poll(() => mailedTo('imke@example.org').length, { timeout: 20_000 }).toBe(1)
  const link = mailedTo('imke@example.org')[0] ?? ''
  await page.goto(link)
  await page.getByLabel('New password').fill('violet harbour thimble four')
  await page.getByRole('button', { name: 'Set password' }).click()
  await signIn(page, 'imke@example.org', 'violet harbour thimble four')
  await expect(page.getByLabel('Code')).toBeVisible()
  await page.goto(link)
  await expect(page.getByRole('heading', { name: 'This link leads nowhere.' })).toBeVisible()
})

test('before its scripts are there a form sends nothing: no password comes into an address', async ({
  browser,
}) => {
  const context = await browser.newContext({ baseURL: server.address, javaScriptEnabled: false })
  const page = await context.newPage()
  await page.goto('/sign-in')
  await page.getByLabel('Mail address').fill('imke@example.org')
  await page.getByLabel('Password', { exact: true }).fill(password)
  await page.getByLabel('Password', { exact: true }).press('Enter')
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeDisabled()
  expect(new URL(page.url()).search).toBe('')
  await context.close()
})
