import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Page } from '@playwright/test'
import { z } from 'zod'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, settled } from './bench'
import { importAs, setDeleted, shareOffer } from './offers'

/** All that a customer's page says, once its charts are drawn. */
async function textOf(page: Page): Promise<string> {
  await expect(page.locator('.apexcharts-svg')).toHaveCount(2)
  return (await page.locator('main').innerText()).replace(/\s+/g, ' ')
}

test('an offer with a loan and a credit is shared, accepted on a telephone, and stands while the job goes on', async ({
  page,
  browser,
}) => {
  const id = await importAs(page, 'Larkspur')
  await page.goto(`/jobs/${id}`)
  await settled(page)
  await chapter(page, 'Offer')
  await page.getByRole('button', { name: 'Price, incentives, ways to pay' }).click()
  const sheet = page.getByRole('dialog')

  // A programme of the place, and a mistake that is said beside its field.
  await sheet.getByLabel('Programmes at this place').selectOption({ index: 1 })
  await expect(sheet.getByLabel('Tax owed a year')).toHaveValue('2,500')
  await sheet.getByLabel('Loan: Interest a year').fill('abc')
  await sheet.getByLabel('Loan: Interest a year').press('Enter')
  await expect(sheet.getByRole('alert')).toBeVisible()
  await sheet.getByLabel('Loan: Interest a year').fill('5.5')
  await sheet.getByLabel('Loan: Interest a year').press('Enter')
  await sheet.getByLabel('Loan: Tax credit paid in, month').fill('18')
  await sheet.getByLabel('Loan: Tax credit paid in, month').press('Enter')
  await sheet.getByRole('radio', { name: 'The offer goes by: Loan' }).check()
  await sheet.getByRole('checkbox', { name: /page: Lease/ }).check()
  await settled(page)
  await expectAccessible(page, dialogPart)
  await sheet.getByRole('button', { name: 'Close' }).click()

  // Columns of the cash flow add up, here as in the file.
  await page.getByRole('button', { name: 'Cash flow by year' }).click()
  await expect(sheet.getByRole('radio', { name: 'Loan' })).toBeChecked()
  await expect(sheet.getByRole('columnheader', { name: 'Owed' })).toBeVisible()
  const file = page.waitForEvent('download')
  await sheet.getByRole('button', { name: 'Save as CSV' }).click()
  const path = await (await file).path()
  const [head = '', ...lines] = readFileSync(path, 'utf8').trim().split('\r\n')
  expect(lines).toHaveLength(26)
  const columns = head.split(',')
  for (const line of lines) {
    const of = (name: string) => Number(line.split(',')[columns.indexOf(name)])
    const parts = ['saved', 'price', 'incentives', 'upkeep', 'replacements', 'payments'].map(of)
    expect(Math.abs(parts.reduce((sum, one) => sum + one, 0) - of('net'))).toBeLessThan(0.04)
  }
  await sheet.getByRole('button', { name: 'Close' }).click()

  // Ranges follow by themselves.
  await expect(page.getByText(/1,000 courses of the years/)).toBeVisible()
  await expect(page.getByText('What moves payback most')).toBeVisible()

  // The customer's page: a letter, one section less, prices before the equipment.
  await page.getByRole('button', { name: 'Customer’s page' }).click()
  await sheet.getByLabel('Cover letter').last().fill('Dear Ngozi,\n\nhere is your roof.')
  await sheet.getByRole('checkbox', { name: 'Yield and consumption by month' }).uncheck()
  await sheet.getByRole('button', { name: 'Move Price up' }).click()
  await expect(sheet.getByRole('button', { name: 'Move Cover letter up' })).toBeDisabled()
  await settled(page)
  await sheet.getByRole('button', { name: 'Close' }).click()

  const link = new URL(await shareOffer(page)).pathname
  const phone = await browser.newContext({ viewport: { width: 390, height: 800 } })
  const customer = await phone.newPage()
  await customer.goto(link)
  await expect(customer.getByText('here is your roof.')).toBeVisible()
  await expect(customer.getByText('Yield and consumption by month')).toHaveCount(0)
  const headings = await customer.getByRole('heading', { level: 2 }).allInnerTexts()
  expect(headings.indexOf('Price')).toBeLessThan(headings.indexOf('Equipment'))
  await customer.getByRole('button', { name: 'Lease' }).click()
  await expect(customer.getByRole('button', { name: 'Lease' })).toHaveAttribute('aria-pressed', 'true')
  await customer.getByRole('button', { name: 'Loan' }).click()
  // Nothing reaches over the edge of the small screen.
  expect(await customer.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await expectAccessible(customer)

  await customer.getByText('Ask a question').click()
  await customer.getByLabel('Your name').last().fill('Ngozi')
  await customer.getByLabel('Your question').fill('Does the oak stay?')
  await customer.getByRole('button', { name: 'Send the question' }).click()
  await expect(customer.getByText('You will hear from whoever sent you')).toBeVisible()

  await customer.getByRole('button', { name: 'Accept the offer' }).click()
  await expect(customer.getByText('Please type your name.')).toBeVisible()
  await customer.getByLabel('Your name').first().fill('Ngozi Okafor')
  await customer.getByRole('button', { name: 'Accept the offer' }).click()
  await expect(customer.getByText('Please sign')).toBeVisible()
  const pad = customer.getByLabel('Sign here with finger')
  await pad.scrollIntoViewIfNeeded()
  const box = await pad.boundingBox()
  if (!box) throw new Error('the field to sign in is on the page')
  await customer.mouse.move(box.x + 40, box.y + 60)
  await customer.mouse.down()
  await customer.mouse.move(box.x + 120, box.y + 30, { steps: 8 })
  await customer.mouse.move(box.x + 200, box.y + 70, { steps: 8 })
  await customer.mouse.up()
  await customer.getByRole('button', { name: 'Accept the offer' }).click()
  await expect(customer.getByText(/^Accepted by Ngozi Okafor/)).toBeVisible()
  await expect(customer.getByRole('img', { name: 'Signature' })).toBeVisible()
  await expect(customer.getByRole('button', { name: 'Accept the offer' })).toHaveCount(0)
  const shown = await textOf(customer)

  // What the page states follows from the offer's own inputs, as a terminal finds.
  const offers = z
    .object({ offers: z.array(z.object({ id: z.string() })) })
    .parse(await (await page.request.get(`/api/jobs/${id}/offers`)).json())
  const kept = await page.request.get(`/api/jobs/${id}/offers/${offers.offers[0]?.id}/file`)
  const offerJson = join(mkdtempSync(join(tmpdir(), 'offer-')), 'offer.json')
  writeFileSync(offerJson, await kept.body())
  const { stdout, status } = spawnSync('node', ['bin/gable.mjs', 'verify', offerJson], { encoding: 'utf8' })
  expect({ status, holds: (JSON.parse(stdout) as { holds: boolean }).holds }).toEqual({
    status: 0,
    holds: true,
  })
  expect(shown).toContain((JSON.parse(stdout) as { digest: { stated: string } }).digest.stated)
  expect((await customer.request.get(`/api/jobs/${id}/offers/${offers.offers[0]?.id}/file`)).status()).toBe(
    401,
  )

  // The job goes on; what was accepted stands, and the designer sees both answer and question.
  await page.getByLabel('Price per watt').fill('4.10')
  await page.getByLabel('Price per watt').press('Enter')
  await settled(page)
  await page.reload()
  await settled(page)
  await chapter(page, 'Offer')
  const sent = page.getByRole('region', { name: 'Offers sent' })
  await expect(sent.getByText(/^Accepted by Ngozi Okafor.*Loan$/)).toBeVisible()
  await expect(sent.getByText('Does the oak stay?')).toBeVisible()
  await expect(sent.getByRole('button', { name: 'Withdraw' })).toHaveCount(0)
  await customer.reload()
  await customer.getByRole('button', { name: 'Loan' }).click()
  expect(await textOf(customer)).toBe(shown)
  await phone.close()
  await setDeleted(page, id, true)
})
