import { expect, test } from '@playwright/test'
import { expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled, shippedJobId } from './bench'

test('search, copy, delete and undo in the list', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('Search jobs').fill('zebra')
  await page.getByRole('button', { name: 'Search' }).click()
  await expect(page.getByText('No job’s name, address, tags or notes contain “zebra”')).toBeVisible()
  await page.goto('/')
  await page.getByRole('button', { name: 'Copy Okafor-Lindqvist', exact: true }).click()
  const copy = page.getByRole('link', { name: 'Okafor-Lindqvist, copy', exact: true })
  await expect(copy).toBeVisible()
  await page.getByRole('button', { name: 'Delete Okafor-Lindqvist, copy' }).click()
  await expect(copy).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(copy).toBeVisible()
  await page.getByRole('button', { name: 'Delete Okafor-Lindqvist, copy' }).click()
  await expect(copy).toHaveCount(0)
})

test('figures of the list are the last ones, marked, and replaced on the page when the new ones are there', async ({
  page,
}) => {
  await openShippedJob(page)
  const id = new URL(page.url()).pathname.split('/').at(-1) ?? ''
  await chapter(page, 'Offer')
  const price = async (value: string) => {
    await page.getByLabel('Price per watt').fill(value)
    await page.getByLabel('Price per watt').press('Enter')
    await saved(page)
  }
  await price('5.90')
  const payback = (await figure(page, 'payback')).toFixed(1)
  await page.goto('/')
  const row = page.getByRole('listitem').filter({ has: page.locator(`a[href="/jobs/${id}"]`) })
  await expect(row).toContainText(`${payback} years`)
  await expect(row.locator('[data-figures]')).toHaveCount(0)
  await page.goto(`/jobs/${id}`)
  await chapter(page, 'Offer')
  await price('2.95')
})

test('an unknown address and a file that is no job are said', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('1 Nowhere Road')
  await page.getByRole('button', { name: 'Create job' }).click()
  await expect(page.getByText('“1 Nowhere Road” is not an address that is known')).toBeVisible()
  const where = page.getByLabel('New job: where is the house?')
  await where.fill('14 saltmash raod')
  await expect(page.getByText('No such address. The nearest are in the list.')).toBeVisible()
  await expect(page.getByRole('option', { name: '14 Saltmarsh Road, Pellworth' })).toBeVisible()
  await where.fill('zzzzzz')
  await expect(page.getByText('Nothing like it is known either.')).toBeVisible()
  await where.press('Escape')
  const file = (name: string, text: string) =>
    page
      .getByLabel('Job file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  await file('holiday.json', 'not json')
  await expect(page.getByText(/holiday.json: The body is not JSON/)).toBeVisible()
  await file('newer.json', '{"format":"tall-gable-job","version":99}')
  await expect(page.getByText(/newer.json: .*Update the application/)).toBeVisible()
})

test('routes ask who, parse, and name the path of a fault', async ({ page, playwright, baseURL }) => {
  const id = await shippedJobId(page)
  const stranger = await playwright.request.newContext({ baseURL: baseURL ?? '' })
  expect((await stranger.get(`/api/jobs/${id}`)).status()).toBe(401)
  expect((await stranger.post(`/api/jobs/${id}/changes`, { data: { edits: [] } })).status()).toBe(401)
  expect((await stranger.get('/offer/guess')).status()).toBe(404)
  expect((await stranger.get(`/offer/${'A'.repeat(43)}/pdf`)).status()).toBe(404)
  expect(
    (await stranger.get('/enter', { headers: { host: 'evil.example' }, maxRedirects: 0 })).status(),
  ).toBe(421)
  expect((await stranger.get('/', { headers: { host: 'evil.example' } })).status()).toBe(421)
  expect((await stranger.get('/api/jobs/%ff%fe')).status()).toBeLessThan(500)
  expect(
    (await stranger.get('/', { headers: { cookie: 'tall-gable=forged' }, maxRedirects: 0 })).status(),
  ).toBe(307)
  await stranger.dispose()
  const bad = await page.request.post(`/api/jobs/${id}/changes`, {
    data: {
      edits: [
        {
          id: crypto.randomUUID(),
          documentId: 'house',
          change: {
            added: {
              'tree-9': {
                id: 'tree-9',
                kind: 'tree',
                name: 'X',
                center: [0, 0],
                heightM: -4,
                crownDiameterM: 3,
                transmissivity: [],
              },
            },
            updated: {},
            removed: {},
          },
        },
      ],
    },
  })
  expect(bad.status()).toBe(400)
  expect(await bad.json()).toMatchObject({
    error: { code: 'bad-object', path: 'edits.0.change.added.tree-9.heightM' },
  })
  expect(
    (
      await page.request.post(`/api/jobs/${id}/changes`, {
        headers: { origin: 'http://evil.example' },
        data: {},
      })
    ).status(),
  ).toBe(403)
  expect(
    (
      await page.request.post('/api/jobs', { headers: { 'content-type': 'application/json' }, data: '{' })
    ).status(),
  ).toBe(400)
  const file = await page.request.get(`/api/jobs/${id}/export`)
  expect(await file.json()).toMatchObject({ format: 'tall-gable-job', version: 1 })
})

for (const colorScheme of ['light', 'dark'] as const)
  test(`axe finds nothing serious on the main views, ${colorScheme}`, async ({ page }) => {
    await page.emulateMedia({ colorScheme })
    for (const path of ['/', '/dashboard']) {
      await page.goto(path)
      await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
      await expectAccessible(page)
    }
    await openShippedJob(page)
    for (const name of ['Site', 'Shape', 'Cover', 'Wire', 'Match', 'Store', 'Offer']) {
      await chapter(page, name)
      await settled(page)
      await expectAccessible(page)
    }
  })
