import { expect, test } from '@playwright/test'
import { chapter, figure, openShippedJob, saved } from './bench'

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

test('a second editor’s change of the same thing is shown with both values', async ({ page, context }) => {
  await openShippedJob(page)
  const other = await context.newPage()
  await other.goto(page.url())
  await chapter(other, 'Offer')
  await chapter(page, 'Offer')
  await page.getByLabel('Incentive').fill('20')
  await page.getByLabel('Incentive').press('Enter')
  await saved(page)
  await other.getByLabel('Incentive').fill('10')
  await other.getByLabel('Incentive').press('Enter')
  const dialog = other.getByRole('alertdialog', { name: 'Changed by somebody else' })
  await expect(dialog).toContainText('incentiveShare: 0.2')
  await expect(dialog).toContainText('incentiveShare: 0.1')
  await dialog.getByRole('button', { name: 'Keep yours' }).click()
  await saved(other)
  await page.reload()
  await chapter(page, 'Offer')
  await expect(page.getByLabel('Incentive')).toHaveValue('10.0')
  await page.getByLabel('Incentive').fill('25')
  await page.getByLabel('Incentive').press('Enter')
  await saved(page)
})
