import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { PNG } from 'pngjs'
import { importAs, setDeleted } from './offers'

test('offers say who sends them, as they were then; a pale colour and a file that is no picture are refused', async ({
  page,
  playwright,
  baseURL,
}) => {
  const id = await importAs(page, 'Letter-house')
  await page.goto('/')
  await page.getByRole('link', { name: 'Letterhead' }).click()
  await expect(page.getByRole('heading', { name: 'Letterhead', level: 1 })).toBeVisible()
  const head = page.getByRole('region', { name: 'As it stands on an offer' }).getByRole('group')
  await expect(head).toContainText('Licence SB-20417')
  await expect(head.locator('img')).toBeVisible()
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])

  const main = page.getByRole('main')
  const asShipped = await page
    .getByRole('form', { name: 'Save letterhead' })
    .evaluate((form) => (form instanceof HTMLFormElement ? Object.fromEntries(new FormData(form)) : {}))
  await page.getByLabel('Colour').fill('#ffd27f')
  await page.getByRole('button', { name: 'Save letterhead' }).click()
  await expect(main.getByRole('alert')).toContainText('too pale for text on paper')
  await page.getByLabel('Colour').fill('#7a1f3d')
  await page.getByLabel('Name').fill('Gull & Sons <Solar>')
  await page.getByLabel('Licence number').fill('GS-77')
  await page.getByRole('button', { name: 'Save letterhead' }).click()
  await expect(page.getByText('The letterhead is kept.')).toBeVisible()
  await expect(head).toContainText('Gull & Sons <Solar>')
  await expect(head).toHaveCSS('border-bottom-color', 'rgb(122, 31, 61)')

  const logo = page.getByLabel('Logo', { exact: true })
  await logo.setInputFiles({ name: 'logo.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(main.getByRole('alert')).toContainText('cannot be shown as a picture')
  const large = new PNG({ width: 1600, height: 400 })
  large.data.fill(200)
  await logo.setInputFiles({ name: 'logo.png', mimeType: 'image/png', buffer: PNG.sync.write(large) })
  await expect(page.getByText('The logo is kept.')).toBeVisible()
  // As large as it is shown, whatever it was.
  await expect
    .poll(() =>
      head.locator('img').evaluate((img) => (img instanceof HTMLImageElement ? img.naturalWidth : 0)),
    )
    .toBe(600)

  const share = async () => {
    const answer = await page.request.post(`/api/jobs/${id}/offers`, { data: { optionId: 'option-a' } })
    return ((await answer.json()) as { path: string }).path
  }
  const path = await share()
  await page.getByRole('button', { name: 'Remove logo' }).click()
  await expect(page.getByText('The logo is removed.')).toBeVisible()
  expect((await page.request.put('/api/letterhead', { data: asShipped })).ok()).toBe(true)
  const shipped = readFileSync('samples/tern-street-logo.png')
  expect((await page.request.put('/api/letterhead/logo', { data: shipped })).ok()).toBe(true)

  const customer = await playwright.request.newContext({ baseURL: baseURL ?? '' })
  expect(await (await customer.get(path)).text()).toContain('Gull &amp; Sons &lt;Solar&gt;')
  expect((await customer.put('/api/letterhead', { data: asShipped })).status()).toBe(401)
  await customer.dispose()
  // On a telephone, in the colour of who sent it.
  await page.setViewportSize({ width: 390, height: 800 })
  await page.goto(path)
  const sent = page.getByRole('group', { name: 'Who sends this offer' })
  await expect(sent).toContainText('Licence GS-77')
  await expect(sent.locator('img')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Equipment' })).toHaveCSS('color', 'rgb(122, 31, 61)')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await setDeleted(page, id, true)
})
