import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'
import { chapter, settled } from './bench'
import { importAs, setDeleted } from './offers'

const card = (page: Page) => page.getByRole('region', { name: 'Comments' })
const say = async (page: Page, text: string) => {
  await page.keyboard.type(text)
  await page.getByRole('button', { name: 'Say it' }).click()
}

test('a comment on a tree reaches a colleague, is answered, settled and opened again; one on the payback is found in the list', async ({
  page,
  context,
}) => {
  const id = await importAs(page, 'Talked about')
  await page.goto(`/jobs/${id}`)
  await settled(page)
  await chapter(page, 'Shape')
  const other = await context.newPage()
  await other.goto(`/jobs/${id}`)
  await settled(other)
  await page.getByRole('button', { name: /^Oak, garden/ }).click()
  await card(page).getByRole('button', { name: 'Comment', exact: true }).click()
  // Esc leaves the field, and not the card.
  await page.keyboard.press('Escape')
  await card(page).getByRole('button', { name: 'Comment', exact: true }).click()
  await expect(card(page).getByLabel('Comment on Oak, garden')).toBeFocused()
  await say(page, 'Is it <b>really</b> that high?')
  await expect(card(page)).toContainText('Is it <b>really</b> that high?')
  // The colleague hears of it, and the mark on the stage leads there.
  await expect(other.getByRole('button', { name: 'Comments (1)' })).toBeVisible()
  // A tab that is opened later knows of it at once, whichever tab of the browser holds the line.
  await other.reload()
  await expect(other.getByRole('button', { name: 'Comments (1)' })).toBeVisible()
  await other.getByRole('button', { name: '1 comment on Oak, garden' }).click()
  await card(other).getByRole('button', { name: 'Answer' }).click()
  await say(other, 'Measured: 9.5 m.')
  await expect(card(page)).toContainText('Measured: 9.5 m.')
  await card(page).getByRole('button', { name: 'Settle' }).click()
  await expect(card(page)).not.toContainText('Measured')
  await expect(other.getByRole('button', { name: 'Comments', exact: true })).toBeVisible()
  await expect(other.getByRole('button', { name: '1 comment on Oak, garden' })).toHaveCount(0)
  // On a line of the ledger.
  await page
    .getByRole('button', { name: /^Payback/ })
    .first()
    .click()
  const why = page.getByRole('complementary', { name: 'Why: Payback' })
  await why.getByRole('button', { name: 'Comment', exact: true }).click()
  await say(page, 'With next year’s rebate?')
  await expect(why).toContainText('With next year’s rebate?')
  await why.getByRole('button', { name: 'Close' }).click()
  // All of it in one place.
  await other.getByRole('button', { name: 'Comments (1)' }).click()
  const sheet = other.getByRole('dialog', { name: 'Comments' })
  await expect(sheet.getByRole('region', { name: 'Payback, in the ledger' })).toBeVisible()
  await expect(sheet.getByRole('region', { name: 'Oak, garden' })).toHaveCount(0)
  await sheet.getByLabel('Show 1 settled too').check()
  const oak = sheet.getByRole('region', { name: 'Oak, garden' })
  await expect(oak).toContainText('Settled by Imke Fairweather')
  await expectAccessible(other)
  await oak.getByRole('button', { name: 'Open again' }).click()
  await expect(page.getByRole('button', { name: 'Comments (2)' })).toBeVisible()
  await sheet.getByLabel('Comment on the whole job').fill('Ready for the offer')
  await sheet.getByRole('button', { name: 'Say it' }).click()
  const whole = sheet.getByRole('region', { name: 'The whole job' })
  await expect(whole).toContainText('Ready for the offer')
  await whole.getByRole('button', { name: 'Take back' }).click()
  await expect(whole).toHaveCount(0)
  await sheet
    .getByRole('region', { name: 'Payback, in the ledger' })
    .getByRole('button', { name: 'Show' })
    .click()
  await expect(other.getByRole('complementary', { name: 'Why: Payback' })).toContainText(
    'With next year’s rebate?',
  )
  await other.close()
  await setDeleted(page, id, true)
})
