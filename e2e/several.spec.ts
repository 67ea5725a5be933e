import { expect, test } from '@playwright/test'
import { saved, settled, stage } from './bench'
import { clickingInPlan } from './plan'

test('trees are chosen by a box and by Shift, turned, aligned, cut and pasted, and all of it is undone', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('19 tern street')
  await page.getByRole('option', { name: '19 Tern Street, Pellworth' }).click()
  await settled(page)
  await page.keyboard.press('t')
  const click = await clickingInPlan(page)
  const trees = [
    [-8, 0],
    [0, 4],
    [8, -3],
  ] as const
  for (const [i, [x, y]] of trees.entries()) {
    if (i > 0) await page.keyboard.press('t')
    await click(x, y)
  }
  const listed = page.getByRole('navigation', { name: 'Outline' }).getByRole('button', { name: /^Tree/ })
  const chosen = listed.and(page.locator('[aria-pressed="true"]'))
  await expect(listed).toHaveCount(4) // With the tool's own button.
  const card = page.getByRole('complementary', { name: /selected$/ })

  const box = await stage(page).boundingBox()
  if (!box) throw new Error('the stage is on the screen')
  await page.keyboard.press('Escape')
  await page.mouse.move(box.x + 4, box.y + 4)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width - 60, box.y + box.height - 60, { steps: 4 })
  await page.mouse.up()
  await expect(chosen).toHaveCount(3)
  await expect(card).toContainText('3 objects')
  // One is taken out and put back by its list.
  await listed.nth(2).click({ modifiers: ['Shift'] })
  await expect(card).toContainText('2 objects')
  await listed.nth(2).click({ modifiers: ['Shift'] })

  await card.getByRole('button', { name: 'South sides' }).click()
  await card.getByLabel('Turn by').fill('90')
  await card.getByLabel('Turn by').press('Enter')
  await expect(card.getByLabel('Turn by')).toHaveValue('0')

  await stage(page).focus()
  await page.keyboard.press('Control+x')
  await expect(listed).toHaveCount(1)
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.keyboard.press('Control+v')
  await expect(chosen).toHaveCount(3)
  await saved(page)

  await page.keyboard.press('Escape')
  for (let k = 0; k < 4; k++) await page.keyboard.press('Control+z')
  await expect(listed).toHaveCount(4)
  for (let k = 0; k < 3; k++) await page.keyboard.press('Control+z')
  await expect(listed).toHaveCount(1)
  await saved(page)
})
