import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './accessible'
import { chapter, figure, saved, settled } from './bench'
import { importAs, setDeleted } from './offers'

const edits = (page: Page) => page.getByRole('region', { name: 'Edits' })
const film = (page: Page) => page.getByRole('region', { name: 'History' })
const moment = (page: Page) => page.getByRole('slider', { name: 'Moment' })
const nameOf = (page: Page) => page.getByLabel('Name this moment')

async function fell(page: Page, tree: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${tree}`) }).click()
  await page.keyboard.press('Delete')
  await expect(page.getByRole('button', { name: new RegExp(`^${tree}`) })).toHaveCount(0)
  await saved(page)
}

test('yesterday is shown, named and restored; nothing is edited in the past; undo takes the restoring back', async ({
  page,
}) => {
  const id = await importAs(page, 'Yesterday')
  await page.goto(`/jobs/${id}`)
  const shade = await figure(page, 'shade')
  await chapter(page, 'Shape')
  await fell(page, 'Oak, west fence')
  await fell(page, 'Oak, garden')
  const felled = await figure(page, 'shade')
  expect(felled).toBeGreaterThan(shade)
  await page.getByRole('button', { name: 'History', exact: true }).click()
  await expect(film(page)).toContainText('Today: as the job is now')
  await expect(edits(page).getByRole('button')).toHaveText([
    /Oak, garden deleted/,
    /Oak, west fence deleted/,
    /As the job was made/,
  ])
  await expectAccessible(page)
  // By keys: one edit back, and to the beginning.
  await expect(moment(page)).toBeFocused()
  await page.keyboard.press('ArrowLeft')
  await expect(film(page)).toContainText('Oak, west fence deleted · Imke Fairweather')
  await page.keyboard.press('Home')
  await expect(film(page)).toContainText('As the job was made')
  await expect.poll(() => figure(page, 'shade')).toBeCloseTo(shade, 6)
  await nameOf(page).fill('Before the trees went')
  await page.getByRole('button', { name: 'Keep name' }).click()
  const named = page.getByRole('button', { name: 'Before the trees went', exact: true })
  await expect(named).toHaveAttribute('aria-pressed', 'true')
  // The past is not drawn in.
  await page.getByTitle('Undo (Ctrl-Z)').click()
  await expect(page.getByText(/^This is how it was\. Restore it/)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(film(page)).toHaveCount(0)
  await expect.poll(() => figure(page, 'shade')).toBeCloseTo(felled, 6)
  await expect(page.getByRole('button', { name: /^Oak, garden/ })).toHaveCount(0)
  // Opened again, the name leads there, and what it leads to is restored.
  await page.keyboard.press(';')
  await named.click()
  await page.getByRole('button', { name: 'Restore this' }).click()
  await expect.poll(() => figure(page, 'shade')).toBeCloseTo(shade, 6)
  await expect(page.getByRole('button', { name: /^Oak, garden/ })).toBeVisible()
  await saved(page)
  await page.reload()
  await expect.poll(() => figure(page, 'shade')).toBeCloseTo(shade, 6)
  await page.getByRole('button', { name: 'History', exact: true }).click()
  await expect(edits(page).getByRole('button').first()).toHaveText(/Oak, .* added, and 1 more/)
  await page.getByRole('button', { name: 'Take the name “Before the trees went” away' }).click()
  await expect(film(page)).toContainText('No moment has a name yet.')
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await page.getByTitle('Undo (Ctrl-Z)').click()
  await expect.poll(() => figure(page, 'shade')).toBeCloseTo(felled, 6)
  await saved(page)
  await setDeleted(page, id, true)
})

test('an option that was removed comes back with its day; the film plays to today; what others do waits until then', async ({
  page,
  context,
}) => {
  const id = await importAs(page, 'Two options')
  await page.goto(`/jobs/${id}`)
  await settled(page)
  await page.getByRole('tab', { name: /^B/ }).click()
  await settled(page)
  await page.getByRole('button', { name: 'Remove option B' }).click()
  await expect(page.getByRole('tab')).toHaveCount(1)
  await saved(page)
  const other = await context.newPage()
  await other.goto(`/jobs/${id}`)
  await settled(other)
  await page.getByRole('button', { name: 'History', exact: true }).click()
  await expect(edits(page).getByRole('button').first()).toHaveText(/Option removed/)
  await moment(page).press('Home')
  await expect(page.getByRole('tab')).toHaveCount(2)
  await chapter(other, 'Shape')
  await fell(other, 'Oak, garden')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(film(page)).toContainText('Today: as the job is now')
  await expect(page.getByRole('tab')).toHaveCount(1)
  await expect(film(page)).toContainText('1 newer edit since this was read.')
  await page.getByRole('button', { name: 'Read again' }).click()
  await expect(edits(page).getByRole('button').first()).toHaveText(/Oak, garden deleted/)
  await edits(page)
    .getByRole('button', { name: /As the job was made/ })
    .click()
  await page.getByRole('button', { name: 'Restore this' }).click()
  await expect(page.getByRole('tab')).toHaveCount(2)
  await saved(page)
  await expect(other.getByRole('tab')).toHaveCount(2)
  await expect(other.getByRole('button', { name: /^Oak, garden/ })).toBeVisible()
  await other.close()
  await setDeleted(page, id, true)
})
