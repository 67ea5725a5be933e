import { expect, test } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, openShippedJob } from './bench'

test('prices are asked for by mail, of a distributor of the place or of another one', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  await page.getByRole('button', { name: 'Parts list', exact: true }).click()
  const sheet = page.getByRole('dialog', { name: 'Parts list' })
  await sheet.getByRole('button', { name: 'Ask for prices by mail' }).click()
  const form = sheet.getByRole('form', { name: 'Ask for prices by mail' })
  await expect(form.getByLabel('Distributor')).toHaveValue('quotes@harbour-supply.example')
  await expectAccessible(page, dialogPart)
  await form.getByLabel('Distributor').selectOption({ label: 'another one …' })
  await form.getByLabel('Mail address').fill('nobody')
  await form.getByRole('button', { name: 'Send request' }).click()
  // The browser asks for an address, and nothing is sent.
  await expect(form).toBeVisible()
  await form.getByLabel('Mail address').fill('counter@trade.example')
  await form.getByLabel('Note').fill('By Friday, please.')
  await form.getByRole('button', { name: 'Send request' }).click()
  await expect(
    sheet.getByText(/^The request to counter@trade\.example is on its way, with \d+ lines/),
  ).toBeVisible()
  await expect(form).toHaveCount(0)
})
