import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Page } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, settled } from './bench'
import { importAs, setDeleted } from './offers'
import { photo } from './photo'

const folder = mkdtempSync(join(tmpdir(), 'after-the-offer-'))

const opened = async (page: Page, name: string) => {
  await chapter(page, 'Offer')
  await page.getByRole('button', { name, exact: true }).click()
  return page.getByRole('dialog', { name })
}

/** Somebody else takes the modules on the west away. */
async function withoutWest(page: Page, id: string) {
  const job = (await (await page.request.get(`/api/jobs/${id}/export`)).json()) as {
    options: { id: string; objects: Record<string, unknown> }[]
  }
  const west = { 'array-west': job.options[0]?.objects['array-west'] }
  const change = { added: {}, updated: {}, removed: west }
  const edits = [{ id: randomUUID(), documentId: job.options[0]?.id, change }]
  expect((await page.request.post(`/api/jobs/${id}/changes`, { data: { edits } })).ok()).toBe(true)
}

/** The customer accepts the first option as it is now. */
async function accepted(page: Page, id: string) {
  const job = (await (await page.request.get(`/api/jobs/${id}/export`)).json()) as {
    options: { id: string }[]
  }
  const sent = await page.request.post(`/api/jobs/${id}/offers`, { data: { optionId: job.options[0]?.id } })
  const { path } = (await sent.json()) as { path: string }
  const { digest } = (await (await page.request.get(`${path}/figures`)).json()) as { digest: string }
  const data = { name: 'Ngozi Okafor', way: 'cash', signature: null, digest }
  expect((await page.request.post(`${path}/accept`, { data })).status()).toBe(201)
}

/** What a button saves, as text. */
async function savedBy(page: Page, press: () => Promise<void>): Promise<string> {
  const download = page.waitForEvent('download')
  await press()
  return readFileSync(await (await download).path(), 'latin1')
}

test('the permit set tells what is missing, takes what is entered, and is one PDF to scale', async ({
  page,
}) => {
  const id = await importAs(page, 'Fennimore')
  await page.goto(`/jobs/${id}`)
  await settled(page)
  let sheet = await opened(page, 'Permit set')
  await expect(sheet.getByText('What Pellworth Fire Marshal asks for')).toBeVisible()
  await expect(sheet.getByText('5 items are missing.')).toBeVisible()
  await expect(sheet.getByRole('status')).toHaveText('8 sheets')
  await expectAccessible(page, dialogPart)
  // Sheet by sheet, by the buttons and by the list.
  await sheet.getByLabel('Next sheet').click()
  await expect(sheet.getByRole('img', { name: /Roof plan with setbacks/ })).toBeVisible()
  await sheet.getByLabel('Sheet shown').selectOption({ label: '4 / 8  Roof plan' })
  await expect(sheet.getByRole('img', { name: /Scale 1:/ })).toBeVisible()
  const pdf = await savedBy(page, () => sheet.getByRole('button', { name: 'Save as PDF' }).click())
  expect(pdf.startsWith('%PDF-1.4')).toBe(true)
  expect(pdf.match(/\/Type \/Page /g)).toHaveLength(8)
  for (const said of ['(not entered) Tj', '(PHOTOVOLTAIC DC DISCONNECT) Tj', '(Vicinity, 1:1000) Tj'])
    expect(pdf).toContain(said)
  // Who builds it, by the team's letterhead.
  expect(pdf).toContain('(Tern Street Solar, licence SB-20417')
  const dxf = await savedBy(page, () => sheet.getByRole('button', { name: 'Save as DXF' }).click())
  for (const layer of ['MODULES', 'SETBACKS', 'ATTACHMENTS', 'VICINITY', 'PLATES'])
    expect(dxf).toContain(`\r\n${layer}\r\n`)
  await sheet.getByRole('button', { name: 'Close' }).click()

  // Whoever is the applicant is entered in Site, and is on the cover at once.
  await chapter(page, 'Site')
  await page.getByLabel('Contact', { exact: true }).fill('Ada Fennimore')
  await page.getByLabel('Contact', { exact: true }).press('Enter')
  // Nor does anybody draw lot lines that the survey has.
  await page.getByRole('button', { name: 'From survey' }).click()
  const card = page.getByRole('complementary', { name: /^Lot/ })
  await expect(card).toContainText('from the survey')
  await page.getByRole('button', { name: 'From survey' }).click()
  await expect(page.getByText('The lines of the survey are there already.')).toBeVisible()
  // As long as the deed says: by hand from then on.
  const south = card.getByLabel(/^South/).first()
  await south.fill('90 ft')
  await south.press('Enter')
  await expect(card).toContainText('by hand')
  await expect(card.getByLabel(/^North/).first()).toHaveValue('90\' 0"')
  sheet = await opened(page, 'Permit set')
  await expect(sheet.getByText('3 items are missing.')).toBeVisible()
  await expect(sheet.getByRole('img', { name: /Ada Fennimore/ })).toBeVisible()
  await sheet.getByLabel('Sheet shown').selectOption({ label: '3 / 8  Site plan' })
  await expect(sheet.getByRole('img', { name: /90' 0"/ })).toBeVisible()
  await setDeleted(page, id, true)
})

test('the hand-over: a string map, parts, and what is to be measured', async ({ page }) => {
  const id = await importAs(page, 'Hand-over house')
  await page.goto(`/jobs/${id}`)
  await settled(page)
  await chapter(page, 'Site')
  await page.getByRole('button', { name: 'Visits, photos, permits' }).click()
  const record = page.getByRole('dialog', { name: 'Visits, photos and permits' })
  await record
    .getByLabel('Add photos', { exact: true })
    .and(page.locator('input'))
    .setInputFiles([await photo(page, 'Main panel.jpg', 'teal')])
  await expect(record.getByRole('img', { name: 'Main panel' })).toBeVisible()
  await record.getByRole('button', { name: 'Close' }).click()
  const sheet = await opened(page, 'Hand-over to the installer')
  await expect(sheet.getByText('9 sheets')).toBeVisible()
  await sheet.getByLabel('Sheet shown').selectOption({ label: '3 / 9  String map' })
  await expect(sheet.getByRole('img', { name: /S1\. 13/ })).toBeVisible()
  const pdf = await savedBy(page, () => sheet.getByRole('button', { name: 'Save as PDF' }).click())
  for (const said of ['(String map) Tj', '(Voc measured) Tj', '(Measures to confirm) Tj'])
    expect(pdf).toContain(said)
  // The photo is in it, no larger than it is printed.
  expect(pdf).toMatch(/\/Subtype \/Image \/Width 1024 \/Height 74\d /)
  expect(pdf).toContain('(Main panel) Tj')
  await sheet.getByRole('button', { name: 'Send to monitoring' }).click()
  await expect(sheet.getByText(/^The monitoring service knows this system as [0-9a-z]{16}\.$/)).toBeVisible()
  // It was told of the design as it was then.
  await withoutWest(page, id)
  await expect(sheet.getByText(/^The monitoring service knows/)).toBeHidden()
  // What is no system is refused.
  const bad = await page.request.post('/world/monitoring', { data: { name: 'A house' } })
  expect(bad.status()).toBe(400)
  await setDeleted(page, id, true)
})

test('a year later: what the customer accepted against what was made, what is off and since when, kept with the job', async ({
  page,
}) => {
  const file = join(folder, 'made.csv')
  const { status, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'e2e/made-file.ts', file], {
    encoding: 'utf8',
    env: { ...process.env, TSX_TSCONFIG_PATH: 'tsconfig.json' },
  })
  expect(stderr).toBe('')
  expect(status).toBe(0)
  const id = await importAs(page, 'A year later')
  await accepted(page, id)
  await page.goto(`/jobs/${id}`)
  await settled(page)
  let sheet = await opened(page, 'Promised and made')
  const take = (path: string) => sheet.locator('input[type=file]').setInputFiles(path)
  const letter = join(folder, 'letter.csv')
  writeFileSync(letter, 'Dear all, this is a letter.\n')
  await take(letter)
  await expect(sheet.getByRole('alert')).toBeVisible()
  const promisedBy = sheet.getByLabel('Promised by')
  await expect(promisedBy.locator('option:checked')).toHaveText(/^Offer Roof only, accepted /)
  await take(file)
  await expect(sheet.getByText('Since Jun 12, 2026: 75 % of what is expected, 100 % before.')).toBeVisible({
    timeout: 60_000,
  })
  await expect(sheet.getByRole('alert')).toBeHidden()
  await expect(sheet.getByText(/^The weather gave .* than a typical year\.$/)).toBeVisible()
  await expect(sheet.getByRole('row', { name: /^May 2026 .* 100\.0 % 100 %$/ })).toBeVisible()
  await expect(sheet.getByRole('row', { name: /^Jul 2026 .* 75\.0 % 100 %$/ })).toBeVisible()
  // In use for five years already: less is expected of older modules.
  await sheet.getByLabel('In use since').fill('2020-09-01')
  await sheet.getByLabel('In use since').press('Tab')
  await expect(sheet.getByRole('row', { name: /^May 2026 .* 102\.\d % 100 %$/ })).toBeVisible({
    timeout: 60_000,
  })
  await expectAccessible(page, dialogPart)
  // Somebody else takes the modules on the west away: the customer was promised what was accepted.
  await withoutWest(page, id)
  await page.reload()
  await settled(page)
  sheet = await opened(page, 'Promised and made')
  await expect(sheet.getByText(/^made, /)).toBeVisible({ timeout: 60_000 })
  await expect(sheet.getByLabel('In use since')).toHaveValue('2020-09-01')
  await expect(sheet.getByRole('row', { name: /^May 2026 .* 102\.\d % 100 %$/ })).toBeVisible()
  await sheet.getByLabel('Promised by').selectOption({ label: 'This option as it is now' })
  await expect(sheet.getByRole('row', { name: /^May 2026 .* 1[23]\d\.\d % 100 %$/ })).toBeVisible({
    timeout: 60_000,
  })
  await sheet.getByRole('button', { name: 'Remove file' }).click()
  await expect(sheet.getByText(/^Choose what the meter/)).toBeVisible()
  await setDeleted(page, id, true)
})
