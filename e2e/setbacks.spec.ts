import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { chapter, figure, openShippedJob, saved, settled, stage } from './bench'

test('other rules are chosen, what they miss is said with figure and remedy, and own ones are written from them', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const before = await figure(page, 'yield')
  const outline = page.getByRole('navigation', { name: 'Outline' })
  await expect(outline.getByLabel('Setback rules')).toHaveValue('pellworth-fire')
  await outline.getByLabel('Setback rules').selectOption({ label: 'Pellworth old harbour' })
  await expect(
    page.getByText(/Setbacks follow Pellworth old harbour\. \d+ modules fewer fit\./),
  ).toBeVisible()
  await settled(page)
  expect(await figure(page, 'yield')).toBeLessThan(before)
  await page.getByRole('button', { name: /checks?$/ }).click()
  await expect(page.getByText('Too little room around Chimney')).toBeVisible()
  await page.getByRole('button', { name: 'Widen the clearance' }).first().click()
  await expect(page.getByText('Too little room around Chimney')).toBeHidden()
  await page.keyboard.press('Escape')

  await outline.getByRole('button', { name: 'See the rules' }).click()
  const sheet = page.getByRole('dialog', { name: 'Setback rules' })
  await sheet.getByRole('button', { name: 'Write own rules from these' }).click()
  await sheet.getByLabel('Ridge', { exact: true }).fill("3'")
  await sheet.getByLabel('Ridge', { exact: true }).press('Enter')
  await sheet.getByLabel('Ridge', { exact: true }).fill('wide')
  await sheet.getByLabel('Ridge', { exact: true }).press('Enter')
  await expect(sheet.getByRole('alert')).toContainText('wide')
  await sheet.getByLabel('Ridge', { exact: true }).press('Escape')
  const { violations } = await new AxeBuilder({ page }).include('[role="dialog"]').analyze()
  expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')).toEqual([])
  await sheet.getByRole('button', { name: 'Close' }).click()
  await expect(outline.getByLabel('Setback rules')).toContainText('Own rules')
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  await expect(page.getByText('Ridge setback is too narrow')).toBeVisible()
  await page.keyboard.press('Escape')
  await stage(page).focus()
  for (let k = 0; k < 4; k++) await page.keyboard.press('Control+z')
  await expect(outline.getByLabel('Setback rules')).toHaveValue('pellworth-fire')
  await saved(page)
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
})

test('a single edge of an array is typed, and emptied it is as all others again', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const before = await figure(page, 'yield')
  await page
    .getByRole('navigation', { name: 'Outline' })
    .getByRole('button', { name: /^South/ })
    .click()
  const card = page.getByRole('complementary', { name: /^South/ })
  await card.getByText('Setbacks here').click()
  await card.getByLabel('Rake 1').fill("9'")
  await card.getByLabel('Rake 1').press('Enter')
  await settled(page)
  expect(await figure(page, 'yield')).toBeLessThan(before)
  await card.getByLabel(/^Rake 1/).fill('')
  await card.getByLabel(/^Rake 1/).press('Enter')
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
  await stage(page).focus()
  for (let k = 0; k < 2; k++) await page.keyboard.press('Control+z')
  await saved(page)
})
