import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'
import { chapter, saved, settled } from './bench'
import { importAs, setDeleted } from './offers'

const row = (page: Page, name: string) =>
  page.getByRole('listitem').filter({ has: page.getByRole('link', { name, exact: true }) })

async function details(page: Page, name: string) {
  await page.getByRole('button', { name: `Details of ${name}`, exact: true }).click()
  return page.getByRole('form', { name: `Details of ${name}`, exact: true })
}

test('a job’s status, next step, tags and notes are kept, found again, and narrow the list by its address', async ({
  page,
}) => {
  await importAs(page, 'Ferris')
  await page.goto('/')
  const form = await details(page, 'Ferris')
  await form.getByLabel('Status').selectOption('Offered')
  await form.getByLabel('Next step').fill('Ring about the meter')
  await form.getByLabel('On', { exact: true }).fill('2026-01-05')
  await form.getByLabel('Tags').fill('flat roof, South, south')
  await form.getByLabel('Notes').fill('Dog in the yard; wants the inverter in the cellar.')
  await form.getByRole('button', { name: 'Keep' }).click()
  await expect(form).toHaveCount(0)
  await expect(row(page, 'Ferris')).toContainText('Offered')
  await expect(row(page, 'Ferris')).toContainText('Overdue: Ring about the meter, 5 Jan 2026')
  await page.getByLabel('Search jobs').fill('inverter cellar')
  await page.getByRole('button', { name: 'Search' }).click()
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await page.goto('/?status=offered&tag=SOUTH&by=next-step')
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await expect(page.getByRole('link', { name: '# South', exact: true })).toHaveAttribute(
    'aria-current',
    'true',
  )
  // A search keeps what narrows the list.
  await page.getByLabel('Search jobs').fill('ferris')
  await page.getByRole('button', { name: 'Search' }).click()
  await expect(page).toHaveURL('/?q=ferris&status=offered&tag=SOUTH&by=next-step')
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await page.goto('/?status=offered&tag=SOUTH&by=next-step')
  for (const [name, address] of [
    [/^All open/, '/?tag=SOUTH&by=next-step'],
    ['# South', '/?by=next-step'],
    ['Next steps', '/'],
  ] as const) {
    await page.getByRole('link', { name, exact: true }).click()
    await expect(page).toHaveURL(address)
  }
  await expect(row(page, 'Okafor-Lindqvist')).toBeVisible()
  await expectAccessible(page)
  // Put away, and back; deleted, and back.
  await (await details(page, 'Ferris')).getByRole('button', { name: 'Archive' }).click()
  await expect(row(page, 'Ferris')).toHaveCount(0)
  await page.getByRole('link', { name: 'Archive' }).click()
  await (await details(page, 'Ferris')).getByRole('button', { name: 'Take out of the archive' }).click()
  await expect(row(page, 'Ferris')).toHaveCount(0)
  await page.goto('/')
  await page.getByRole('button', { name: 'Delete Ferris' }).click()
  await page.getByRole('link', { name: 'Deleted' }).click()
  await page.getByRole('button', { name: 'Bring back Ferris' }).click()
  await expect(page.getByRole('button', { name: 'Bring back Ferris' })).toHaveCount(0)
  await page.goto('/')
  await expect(row(page, 'Ferris')).toContainText('Offered')
  await page.getByRole('button', { name: 'Delete Ferris' }).click()
  await expect(row(page, 'Ferris')).toHaveCount(0)
})

test('a new job starts from the template: its prices and texts, at another address and without its roofs', async ({
  page,
}) => {
  const id = await importAs(page, 'House style')
  await page.goto(`/jobs/${id}`)
  await settled(page)
  await chapter(page, 'Offer')
  await page.getByLabel('Price per watt').fill('3.33')
  await page.getByLabel('Price per watt').press('Enter')
  await saved(page)
  await page.goto('/')
  const form = await details(page, 'House style')
  await form.getByLabel('Template').selectOption('Every new job starts from it')
  await form.getByRole('button', { name: 'Keep' }).click()
  await expect(form).toHaveCount(0)
  await expect(row(page, 'House style')).toContainText('Template')
  await page.goto('/')
  await expect(page.getByLabel('Start from')).toHaveValue(/^[0-9a-f-]{36}$/)
  await page.getByLabel('New job: where is the house?').fill('12 quarry lane')
  await page.getByRole('option', { name: '12 Quarry Lane, Pellworth' }).click()
  await page.waitForURL(/\/jobs\//)
  await chapter(page, 'Offer')
  await expect(page.getByLabel('Price per watt')).toHaveValue('3.33')
  await chapter(page, 'Shape')
  await page.goto('/')
  await expect(page.getByRole('listitem').filter({ hasText: '12 Quarry Lane' }).first()).toContainText(
    'not drawn',
  )
  await page
    .getByRole('button', { name: /^Delete 12 Quarry Lane/ })
    .first()
    .click()
  await expect(page.getByText('deleted.')).toBeVisible()
  await page.getByRole('button', { name: 'Delete House style' }).click()
  await expect(row(page, 'House style')).toHaveCount(0)
})

test('what makes no sense is refused, and says where', async ({ page }) => {
  const id = await importAs(page, 'Refused')
  const patch = async (data: unknown) => {
    const answer = await page.request.patch(`/api/jobs/${id}`, { data })
    return [answer.status(), ((await answer.json()) as { error?: { path?: string } }).error?.path]
  }
  expect(await patch({ progress: { status: 'won' } })).toEqual([400, 'progress.status'])
  expect(await patch({ progress: { nextOn: '2026-02-30' } })).toEqual([400, 'progress.nextOn'])
  expect(await patch({ progress: { ownerId: crypto.randomUUID() } })).toEqual([422, 'progress.ownerId'])
  expect(await patch({ template: 'always' })).toEqual([400, 'template'])
  expect(await patch({ archived: true, deleted: true })).toEqual([400, expect.anything()])
  const made = await page.request.post('/api/jobs', {
    data: { address: '12 Quarry Lane, Pellworth', templateId: crypto.randomUUID() },
  })
  expect(made.status()).toBe(404)
  await setDeleted(page, id, true)
  expect(await patch({ progress: { notes: 'late' } })).toEqual([200, undefined])
})

test('several jobs at once: brought in, tagged, given a status, exported as one file, archived, deleted and brought back', async ({
  page,
}) => {
  const shipped: unknown = JSON.parse(readFileSync('samples/shipped-job.json', 'utf8'))
  const fileOf = (name: string) => ({
    name: `${name}.json`,
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...(shipped as object), name })),
  })
  const bad = (name: string) => ({ ...fileOf(name), buffer: Buffer.from('{"a":1}') })
  await page.goto('/')
  const taken = page.getByRole('region', { name: 'Import' })
  await page.getByLabel('Job file').setInputFiles([bad('Bulk one'), bad('Bulk two'), bad('Bad')])
  await expect(taken).toContainText('0 of 3 imported')
  // Mended, under the same names, before the first answer is put away.
  await page.getByLabel('Job file').setInputFiles([fileOf('Bulk one'), fileOf('Bulk two'), bad('Bad')])
  await expect(taken).toContainText('2 of 3 imported')
  await expect(taken.getByRole('alert')).toContainText('Bad.json: This is not a job of Tall Gable')
  await taken.getByRole('button', { name: 'Close' }).click()
  await page.goto('/?q=Bulk')
  await expect(page.getByRole('listitem')).toHaveCount(2)
  await page.getByRole('button', { name: 'Select several' }).click()
  const several = page.getByRole('region', { name: 'Selected jobs' })
  await several.getByRole('button', { name: 'All on this page' }).click()
  await expect(page.getByLabel('Select Bulk two')).toBeChecked()
  const deleteAll = async () => {
    for (const address of ['/?q=Bulk', '/?q=Bulk&shelf=archive']) {
      await page.goto(address)
      await page.getByRole('button', { name: 'Select several' }).click()
      await several.getByRole('button', { name: 'All on this page' }).click()
      await several.getByRole('button', { name: 'Delete' }).click()
      await expect(page.getByRole('listitem')).toHaveCount(0)
    }
  }
  await several.getByLabel('Tag to add').fill('autumn')
  await several.getByLabel('Tag to add').press('Enter')
  await expect(several).toContainText('2 of 2 tagged')
  await several.getByLabel('Set status').selectOption('Offered')
  await expect(several).toContainText('2 of 2 set')
  await expect(row(page, 'Bulk one')).toContainText('Offered')
  await expect(row(page, 'Bulk one')).toContainText('autumn')
  await expectAccessible(page)
  const download = page.waitForEvent('download')
  await several.getByRole('button', { name: 'Export as ZIP' }).click()
  const archive = await download
  expect(archive.suggestedFilename()).toMatch(/^jobs-\d{4}-\d\d-\d\d\.zip$/)
  await page.getByLabel('Select Bulk one').uncheck()
  await expect(several).toContainText('1 of 2 selected')
  await several.getByRole('button', { name: 'Archive', exact: true }).click()
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await page.getByLabel('Select Bulk one').check()
  await several.getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByRole('listitem')).toHaveCount(0)
  // The file that was exported holds both, and comes in again.
  await page.goto('/')
  await page.getByLabel('Job file').setInputFiles({
    name: archive.suggestedFilename(),
    mimeType: 'application/zip',
    buffer: readFileSync(await archive.path()),
  })
  await expect(page.getByRole('region', { name: 'Import' })).toContainText('2 of 2 imported')
  await deleteAll()
  await page.goto('/?q=Bulk&shelf=bin')
  await expect(page.getByRole('listitem')).toHaveCount(4)
  await page.getByRole('button', { name: 'Select several' }).click()
  await several.getByRole('button', { name: 'All on this page' }).click()
  await several.getByRole('button', { name: 'Bring back' }).click()
  await expect(page.getByRole('listitem')).toHaveCount(0)
  await deleteAll()
})
