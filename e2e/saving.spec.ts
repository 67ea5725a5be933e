import { expect, test, type Page } from '@playwright/test'
import { chapter, figure, openShippedJob, saved, settled } from './bench'

const door = (act: string) => fetch(`${process.env['TEST_DOOR']}/${act}`, { method: 'POST' })

test('server and database gone: edits are kept, said, and stored when they are back', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Offer')
  const price = page.getByLabel('Price per watt')
  const set = async (value: string) => {
    await price.fill(value)
    await price.press('Enter')
  }
  await set('3.10')
  await saved(page)

  await door('stop-database')
  await set('3.20')
  await expect(page.getByText('offline: 1 edit kept')).toBeVisible()
  const away = await figure(page, 'price')
  const refused = await page.request.get('/')
  expect([refused.status(), refused.headers()['retry-after']]).toEqual([503, '3'])
  expect(await refused.text()).toContain('The database does not answer.')
  await door('start-database')
  await saved(page)

  await door('stop-app')
  await set('3.40')
  await set('3.30')
  await expect(page.getByText('offline: 2 edits kept')).toBeVisible()
  expect(await figure(page, 'price')).toBeGreaterThan(away)
  await door('start-app')
  // The page is thrown away before the outbox tries again: a new one sends what was kept.
  await page.reload()
  await saved(page)
  await page.reload()
  await chapter(page, 'Offer')
  await expect(page.getByLabel('Price per watt')).toHaveValue('3.30')
  await page.getByLabel('Price per watt').fill('2.95')
  await page.getByLabel('Price per watt').press('Enter')
  await saved(page)
})

/** The shipped job on a second screen, in the chapter Offer on both. */
async function twoScreens(page: Page): Promise<Page> {
  await openShippedJob(page)
  const other = await page.context().newPage()
  await other.goto(page.url())
  await settled(other)
  await chapter(other, 'Offer')
  await chapter(page, 'Offer')
  return other
}
const fill = async (page: Page, label: string, value: string) => {
  await page.getByLabel(label).fill(value)
  await page.getByLabel(label).press('Enter')
}

test('what one screen does is on the other by itself, with who is there and what they have selected', async ({
  page,
}) => {
  const other = await twoScreens(page)
  await fill(page, 'Discount rate', '20')
  await expect(other.getByLabel('Discount rate')).toHaveValue('20.0')
  await expect(other.getByRole('list', { name: 'Also here' })).toContainText('Imke Fairweather')
  await chapter(other, 'Shape')
  await other.getByRole('button', { name: /^Oak, garden/ }).click()
  await expect(page.getByRole('list', { name: 'Also here' })).toContainText('Oak, garden')
  await fill(page, 'Discount rate', '5')
  await saved(page)
  await other.close()
  await expect(page.getByRole('list', { name: 'Also here' })).toBeHidden()
})

test('the same thing changed by two is asked with both values, after a reload too; other fields merge', async ({
  page,
}) => {
  const other = await twoScreens(page)
  // The second screen is cut off while both work.
  await other.route('**/api/jobs/**', (route) => route.abort())
  await fill(other, 'Discount rate', '10')
  await fill(other, 'Annual maintenance', '120')
  await expect(other.getByText('offline: 2 edits kept')).toBeVisible()
  await fill(page, 'Discount rate', '20')
  await fill(page, 'Years', '30')
  await saved(page)
  await other.unroute('**/api/jobs/**')
  const dialog = other.getByRole('alertdialog', { name: 'Changed by somebody else' })
  await expect(dialog.getByRole('row', { name: /Discount rate/ })).toContainText(/20\.0 %.*10\.0 %/)
  await expect(dialog).toContainText('changed by Imke Fairweather')
  await expect(dialog).not.toContainText('Years')
  await expect(other.locator('[data-save="saved"]')).toBeHidden()
  // It is not gone with the page.
  await other.reload()
  await expect(dialog).toContainText('10.0 %')
  await dialog.getByRole('button', { name: 'Keep yours' }).click()
  await saved(other)
  await expect(page.getByLabel('Discount rate')).toHaveValue('10.0')
  await expect(page.getByLabel('Annual maintenance')).toHaveValue('120')
  await expect(page.getByLabel('Years')).toHaveValue('30')
  await fill(page, 'Discount rate', '5')
  await fill(page, 'Years', '25')
  await fill(page, 'Annual maintenance', '0')
  await saved(page)
})

test('two tabs closed while offline lose nothing: the next visit sends what both kept', async ({ page }) => {
  const other = await twoScreens(page)
  const start = page.url()
  await page.context().route('**/api/jobs/**', (route) => route.abort())
  await fill(page, 'Discount rate', '21')
  await fill(other, 'Years', '27')
  await expect(page.getByText('offline: 1 edit kept')).toBeVisible()
  await expect(other.getByText('offline: 1 edit kept')).toBeVisible()
  await other.close()
  await page.goto('about:blank')
  await page.context().unroute('**/api/jobs/**')
  await page.goto(start)
  await saved(page)
  await chapter(page, 'Offer')
  await expect(page.getByLabel('Discount rate')).toHaveValue('21.0')
  await expect(page.getByLabel('Years')).toHaveValue('27')
  await fill(page, 'Discount rate', '5')
  await fill(page, 'Years', '25')
  await saved(page)
})

test('a job deleted elsewhere is said, and brought back with the edits that wait', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Offer')
  const id = new URL(page.url()).pathname.split('/').at(-1)
  await page.request.patch(`/api/jobs/${id}`, { data: { deleted: true } })
  const dialog = page.getByRole('alertdialog', { name: 'Job deleted' })
  await expect(dialog).toBeVisible()
  await fill(page, 'Discount rate', '22')
  await expect(dialog).toContainText('1 of your edits is kept')
  await dialog.getByRole('button', { name: 'Restore the job' }).click()
  await expect(dialog).toBeHidden()
  await saved(page)
  await page.reload()
  await chapter(page, 'Offer')
  await expect(page.getByLabel('Discount rate')).toHaveValue('22.0')
  await fill(page, 'Discount rate', '5')
  await saved(page)
})

test('a sign-in that is lost is said; the edits go once there is one again', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Offer')
  await page.context().clearCookies()
  await fill(page, 'Discount rate', '23')
  const dialog = page.getByRole('alertdialog', { name: 'Signed out' })
  await expect(dialog).toContainText('1 edit is kept')
  await dialog.getByRole('link', { name: 'Sign in again' }).click()
  await settled(page)
  await saved(page)
  await chapter(page, 'Offer')
  await expect(page.getByLabel('Discount rate')).toHaveValue('23.0')
  await fill(page, 'Discount rate', '5')
  await saved(page)
})

test('a database that hangs, takes no changes or has no room is said; what lives answers, and nothing is lost', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Offer')
  for (const [bad, good] of [
    ['freeze-database', 'thaw-database'],
    ['read-only', 'writable'],
    ['disk-full', 'disk-free'],
  ] as const) {
    await door(bad)
    await fill(page, 'Discount rate', '24')
    await expect(page.getByText('offline: 1 edit kept')).toBeVisible()
    expect((await page.request.get('/health')).ok()).toBe(true)
    expect((await page.request.get('/ready')).status()).toBe(bad === 'freeze-database' ? 503 : 200)
    await door(good)
    await saved(page)
    await page.reload()
    await chapter(page, 'Offer')
    await expect(page.getByLabel('Discount rate')).toHaveValue('24.0')
    await fill(page, 'Discount rate', '5')
    await saved(page)
  }
})
