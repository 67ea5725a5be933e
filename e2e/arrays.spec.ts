import { expect, test } from '@playwright/test'
import { expectAccessible } from './accessible'
import { chapter, figure, restingBox, saved, settled, stage } from './bench'
import { clickingInPlan, plan } from './plan'

test('a house of two fields: drawn, pulled out as rows, moved with snapping, typed, copied, split and joined', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('5 cooper')
  await page.getByRole('option', { name: '5 Cooper’s Row, Pellworth' }).click()
  await settled(page)
  const click = await clickingInPlan(page)
  const at = await plan(page)
  const outline = page.getByRole('navigation', { name: 'Outline' })
  await page.keyboard.press('o')
  for (const [x, y] of [
    [-9, -5],
    [9, -5],
    [9, 5],
    [-9, 5],
    [-9, -5],
  ] as const)
    await click(x, y)
  await page.keyboard.press('Escape')
  await chapter(page, 'Cover')

  // An area on the south plane, corner by corner.
  await page.keyboard.press('9')
  for (const [x, y] of [
    [-6, -4.5],
    [-1, -4.5],
    [-1, -1],
    [-5, -1],
  ] as const)
    await click(x, y)
  await page.keyboard.press('Enter')
  const area = page.getByRole('complementary', { name: /area$/ })
  await expect(area).toBeVisible()
  await settled(page)
  const inArea = Number(await area.getByText('Modules').locator('xpath=following-sibling::*[1]').innerText())
  expect(inArea).toBeGreaterThan(3)

  // Rows pulled out beside it, live while the hand moves.
  await page.keyboard.press('0')
  const from = at(1.2, -4.2)
  const to = at(5.2, -2)
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(to.x, to.y, { steps: 6 })
  await expect(page.getByText(/^\d rows? of 3: /)).toBeVisible()
  await page.mouse.up()
  await page.keyboard.press('Escape')
  const rows = page.getByRole('complementary', { name: /rows$/ })
  await expect(rows).toBeVisible()
  await settled(page)
  const yieldBefore = await figure(page, 'yield')

  // Typed: a row more, with a place left empty; what is no row is said where it is typed.
  const written = rows.getByLabel('Rows from the eave')
  await written.fill('3, 1_1')
  await written.press('Enter')
  await settled(page)
  await expect(rows.getByText('Modules').locator('xpath=following-sibling::*[1]')).toHaveText(/^5/)
  await written.fill('3; two')
  await written.press('Enter')
  await expect(rows.getByRole('alert')).toContainText('“two” is no row')
  await written.press('Escape')
  expect(await figure(page, 'yield')).not.toBe(yieldBefore)
  await expectAccessible(page, 'aside')

  // Pushed over the edge it is said with a remedy, which takes one click.
  await stage(page).focus()
  for (let k = 0; k < 20; k++) await page.keyboard.press('Shift+ArrowRight')
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  await expect(page.getByText(/\d modules? do(es)? not fit/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Leave them empty' }).first().click()
  await expect(page.getByText(/\d modules? do(es)? not fit/)).toHaveCount(0)
  await page.keyboard.press('Escape')
  await stage(page).focus()
  for (let k = 0; k < 21; k++) await page.keyboard.press('Control+z')
  await settled(page)

  // A copy by the keyboard, joined with its original.
  await outline
    .getByRole('button', { name: /^South.*2/ })
    .first()
    .click()
  await stage(page).focus()
  await page.keyboard.press('Control+d')
  await expect(page.getByText('Copied beside it. Drag the copy by its middle grip.')).toBeVisible()
  await expect(outline.getByRole('button', { name: /^South/ })).toHaveCount(3)
  await saved(page)
  await restingBox(stage(page))
})

test('on a flat roof rows stand up one way or in pairs, apart as far as none shades the next', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Abarca Quintanilla', exact: true }).click()
  await settled(page)
  await chapter(page, 'Cover')
  const before = await figure(page, 'yield')
  const outline = page.getByRole('navigation', { name: 'Outline' })
  await outline.getByRole('button', { name: /^Level/ }).click()
  const card = page.getByRole('complementary', { name: /^Level/ })
  await expect(card.getByText('10.0° · 256° and 76°')).toBeVisible()
  await card.getByLabel('Rows face').selectOption({ label: 'one way' })
  await expect(card.getByText('10.0° · 166°')).toBeVisible()
  const gap = card.getByLabel('Gap between rows')
  const free = await gap.inputValue()
  await expect(card.getByLabel('No row shade')).toHaveValue('10-14')
  await card.getByLabel('No row shade').selectOption('9-15')
  await expect.poll(async () => parseFloat(await gap.inputValue())).toBeGreaterThan(parseFloat(free))
  // Steeper rows stay apart as far as they must.
  await card.getByLabel('Tilt from roof').fill('20')
  await card.getByLabel('Tilt from roof').press('Enter')
  await expect(card.getByLabel('No row shade')).toHaveValue('9-15')
  await card.getByLabel('Tilt from roof').fill('70')
  await card.getByLabel('Tilt from roof').press('Enter')
  await expect(card.getByRole('alert')).toContainText('60')
  await card.getByLabel('Tilt from roof').press('Escape')
  await card.getByRole('button', { name: 'Lay flat' }).click()
  await expect(card.getByRole('button', { name: 'Tilt rows' })).toBeVisible()
  await settled(page)
  await stage(page).focus()
  for (let k = 0; k < 4; k++) await page.keyboard.press('Control+z')
  await saved(page)
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
})
