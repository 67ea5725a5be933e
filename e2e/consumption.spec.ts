import { expect, test } from '@playwright/test'
import { chapter, figure, openShippedJob, saved, settled } from './bench'

/** A year of hours, dear evenings, with a day missing; a comma where some expect a point. */
function meterFile(): string {
  const rows = ['Datum;Verbrauch (kWh)']
  for (let i = 0; i < 365 * 24; i++) {
    const at = new Date(Date.UTC(2023, 0, 1) + i * 3_600_000)
    const kwh = at.getUTCHours() >= 18 && at.getUTCHours() < 22 ? 2.5 : 0.5
    rows.push(`${at.toISOString().slice(0, 16).replace('T', ' ')};${String(kwh).replace('.', ',')}`)
  }
  rows.splice(1000, 24)
  return rows.join('\n')
}

test('a meter file is read, a car is added and left out, months are typed, and all of it is taken back', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Match')
  const before = { consumption: await figure(page, 'consumption'), bill: await figure(page, 'bill-now') }
  const open = (name: string, content: string) =>
    page
      .getByLabel('Open meter file')
      .last()
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) })
  await open('letter.txt', 'Dear neighbours,\nthe meter is in the cellar.')
  await expect(page.getByText(/^letter\.txt: /)).toBeVisible()
  await open('house-2023.csv', meterFile())
  // 365 days of 4 h at 2.5 and 20 h at 0.5 kWh.
  await expect(page.getByText('house-2023.csv: 7,300 kWh a year')).toBeVisible({ timeout: 20_000 })
  await settled(page)
  expect(await figure(page, 'consumption')).toBeCloseTo(7300, 6)
  await expect(page.getByLabel('Load shape')).toHaveValue('meter')
  await page.getByText('What looked odd in it').click()
  await expect(page.getByText(/^24 intervals are missing/)).toBeVisible()

  await page.getByLabel('Add …').selectOption({ label: 'Electric car' })
  await settled(page)
  expect(await figure(page, 'consumption')).toBeCloseTo(9800, 6)
  const atOnce = await figure(page, 'bill-then')
  await page.getByLabel('Charging', { exact: true }).selectOption({ label: 'cheapest hours' })
  await settled(page)
  expect(await figure(page, 'bill-then')).toBeLessThan(atOnce - 20)
  await page.getByLabel('Counts: Electric car').uncheck()
  await settled(page)
  expect(await figure(page, 'consumption')).toBeCloseTo(7300, 6)

  await page.getByRole('button', { name: 'Enter twelve months' }).click()
  const july = page.getByLabel('Jul', { exact: true })
  await expect(july).toHaveValue('620')
  await july.fill('1,620')
  await july.press('Enter')
  await settled(page)
  expect(await figure(page, 'consumption')).toBeCloseTo(8300, 0)
  await page.getByRole('button', { name: 'Remove meter file' }).click()
  await settled(page)
  await expect(page.getByLabel('Load shape')).toHaveValue('evening')

  const undo = page.getByTitle('Undo (Ctrl-Z)')
  while (await undo.isEnabled()) {
    await undo.click()
    await settled(page)
  }
  await saved(page)
  expect(await figure(page, 'consumption')).toBe(before.consumption)
  expect(await figure(page, 'bill-now')).toBe(before.bill)
})
