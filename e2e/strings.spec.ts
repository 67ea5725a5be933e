import { expect, test } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled } from './bench'
import { closeDialog, dialog } from './dialogs'

test('a string is drawn by hand: figures follow, a rule that it breaks is told, and its remedy strings it again', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  await page.getByRole('button', { name: '3D', exact: true }).click()
  const layer = page.locator('svg[data-strings]')
  await expect(layer).toHaveAttribute('data-strings', '2')
  const before = await figure(page, 'yield')
  const strings = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^S\d/ }) })
  await expect(strings).toHaveCount(2)
  // Where the first string runs on the screen, module after module.
  const path = async () => {
    const stage = await page.getByLabel(/^Stage: the house/).boundingBox()
    const points = await layer.locator('polyline').first().getAttribute('points')
    return (points ?? '').split(' ').map((point) => {
      const [x = 0, y = 0] = point.split(',').map(Number)
      return [x + (stage?.x ?? 0), y + (stage?.y ?? 0)] as const
    })
  }
  // The camera has come to rest in plan.
  let seen = ''
  await expect
    .poll(async () => {
      const now = JSON.stringify(await path())
      const isStill = now === seen
      seen = now
      return isStill
    })
    .toBe(true)
  const modules = await path()
  expect(modules).toHaveLength(13)
  await page.getByRole('button', { name: 'Draw string' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Drag over modules' })).toBeVisible()
  await page.mouse.move(...(modules[7] ?? [0, 0]))
  await page.mouse.down()
  for (const at of modules.slice(8)) await page.mouse.move(...at, { steps: 3 })
  await expect(page.getByRole('status').filter({ hasText: '6 modules' })).toBeVisible()
  await page.mouse.up()
  await expect(strings).toHaveCount(3)
  await settled(page)
  await expect(strings.filter({ hasText: 'by hand' })).toHaveText(/^S1\s*6, input 1, by hand/)
  expect(await figure(page, 'yield')).not.toBe(before)

  // Onto the input of another: unequal strings, too many for it.
  await page.keyboard.press('Escape')
  await strings.filter({ hasText: 'by hand' }).getByRole('button', { name: /^S1/ }).click()
  await page.getByLabel('Input of S1').selectOption('Input 2')
  await settled(page)
  await page.getByRole('button', { name: 'Keep all strings as they are' }).click()
  await settled(page)
  const kept = strings.filter({ hasText: '7, input' })
  const button = kept.getByRole('button', { name: /^S\d/ })
  if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click()
  await kept.getByLabel(/^Input of S\d/).selectOption('Input 2')
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  const checks = page.locator('[popover]')
  await expect(checks.getByText('Unequal strings on input 2')).toBeVisible()
  await expect(checks.getByText('Too many strings on input 2')).toBeVisible()
  await checks.getByRole('button', { name: 'String automatically' }).first().click()
  await settled(page)
  await expect(checks.getByText('Unequal strings on input 2')).toHaveCount(0)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'String all automatically' }).click()
  await settled(page)
  await expect(strings).toHaveCount(2)
  expect(await figure(page, 'yield')).toBe(before)
  await saved(page)
})

test('ways to string are compared, and one is taken as drawn by hand', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const before = await figure(page, 'yield')
  await page.getByRole('button', { name: 'Compare strings' }).click()
  const ways = dialog(page, 'Ways to string these modules')
  await expect(ways.getByRole('status')).toContainText('The whole chain is run for each')
  await expect(ways.getByRole('row', { name: /^13 \+ 4/ }).filter({ hasText: 'as it is now' })).toHaveCount(1)
  const best = ways.getByRole('row').nth(1)
  await expect(best).toContainText(/\+1\d\d kWh/)
  await expectAccessible(page, dialogPart)
  await best.getByRole('button', { name: /^Take / }).click()
  await expect(ways.getByRole('status')).toContainText('The whole chain is run for each')
  await expect(ways.getByRole('row').nth(1)).toContainText('as it is now')
  await closeDialog(page, 'Ways to string these modules')
  expect(await figure(page, 'yield')).toBeGreaterThan(before + 100)
  await page.getByRole('button', { name: 'String all automatically' }).click()
  expect(await figure(page, 'yield')).toBe(before)
  await saved(page)
})
