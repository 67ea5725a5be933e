import { expect, test } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, figure, settled } from './bench'
import { importAs, setDeleted } from './offers'

test('asked with a budget, a share of the bill or a payback, the best design is found, and becomes an option with its figures', async ({
  page,
}) => {
  const id = await importAs(page, 'Budget house')
  await page.goto(`/jobs/${id}`)
  await settled(page)
  await chapter(page, 'Offer')
  await page.getByRole('button', { name: 'Best for a budget' }).click()
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByText(/designs computed/)).toBeVisible({ timeout: 120_000 })
  const chosen = sheet.getByRole('row', { name: /Best for what is wanted/ })
  // Every module within the usual budget; fewer within a small one, none within nothing.
  await expect(chosen).toHaveAccessibleName(/^17 ?, Best/)
  const budget = sheet.getByLabel('Budget after incentives')
  await budget.fill('10,000')
  await budget.press('Enter')
  await expect(chosen).toHaveAccessibleName(/^10 ?, Best/)
  await budget.fill('lots')
  await budget.press('Enter')
  await expect(sheet.getByRole('alert')).toBeVisible()
  await budget.fill('100')
  await budget.press('Enter')
  await expect(sheet.getByText(/No design costs so little/)).toBeVisible()
  // Half of the bill takes a battery, the cheapest design that does it.
  await sheet.getByRole('radio', { name: 'Bill saved' }).click()
  await expect(chosen).toHaveAccessibleName(/Kestrelite|Thornwick|Brindlecap|Marrowstone|Ferrowell/)
  await sheet.getByRole('radio', { name: 'Payback' }).click()
  const payback = sheet.getByLabel('Paid back within')
  await payback.fill('8.1')
  await payback.press('Enter')
  await expect(chosen).toHaveAccessibleName(/^8 ?, Best/)
  await expectAccessible(page, dialogPart)
  const cells = await chosen.getByRole('cell').allInnerTexts()
  await chosen.getByRole('button', { name: /^Make 8 modules/ }).click()
  await expect(page.getByRole('tab', { name: /^C/ })).toHaveAttribute('aria-selected', 'true')
  await settled(page)
  const written = (value: number, digits: number) =>
    value.toLocaleString('en-US', { minimumFractionDigits: digits, maximumFractionDigits: digits })
  expect(cells).toContain(`${written(await figure(page, 'payback'), 1)} years`)
  expect(cells.some((cell) => cell.startsWith(`${written(8 * 0.42, 2)} kW`))).toBe(true)
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('tab', { name: /^C/ })).toBeHidden()
  await setDeleted(page, id, true)
})
