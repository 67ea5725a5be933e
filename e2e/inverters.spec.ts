import { expect, test } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled } from './bench'
import { closeDialog, dialog } from './dialogs'

test('an inverter with too few inputs leaves modules over, and says so on the diagram', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const length = page.getByLabel('Modules per string')
  await length.fill('5')
  await length.press('Enter')
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  await expect(page.getByText('Modules without an input').first()).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Single-line diagram' }).click()
  await expect(dialog(page, 'Single-line diagram').getByRole('img')).toHaveAttribute(
    'alt',
    /modules? hangs? on no input/,
  )
  await closeDialog(page, 'Single-line diagram')
  await length.fill('automatic')
  await length.press('Enter')
  await settled(page)
  await expect(page.getByRole('button', { name: 'No checks' })).toBeVisible()
  await saved(page)
})

test('inverters are tried in the option, the best first, and one is taken', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  // One that is too large is told of, with the way to the others.
  await page.getByLabel('Inverter', { exact: true }).selectOption('orrin-10')
  await settled(page)
  await page.getByRole('button', { name: /^\d+ checks?$/ }).click()
  await page.locator('[popover]').getByRole('button', { name: 'Compare inverters' }).click()
  const name = 'Inverters for this option'
  await expect(
    dialog(page, name)
      .getByRole('row')
      .filter({ hasText: /^Orrin 10/ }),
  ).toContainText('chosen')
  await closeDialog(page, name)
  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await settled(page)
  await page.getByRole('button', { name: 'Compare inverters' }).click()
  await expect(dialog(page, name).getByText(/break a rule come last/)).toBeVisible({ timeout: 20_000 })
  const rows = dialog(page, name).getByRole('row')
  await expect(rows.filter({ hasText: /^Halyard 7.6/ })).toContainText('chosen')
  await expect(rows.filter({ hasText: /^Brannock 2.5/ })).toContainText('Modules without an input')
  await dialog(page, name).getByLabel('Electronics').selectOption('at each module')
  await expect(rows.filter({ hasText: 'Halyard' })).toHaveCount(0)
  await dialog(page, name).getByLabel('Electronics').selectOption('strings')
  await dialog(page, name).getByLabel('DC/AC from').fill('1,1')
  await dialog(page, name).getByLabel('DC/AC from').press('Enter')
  await expect(rows.filter({ hasText: /^Brannock 2.5/ })).toHaveCount(1)
  await expect(rows.filter({ hasText: /^2 × Brannock 2.5/ })).toHaveCount(1)
  await dialog(page, name).getByLabel('Only what breaks no rule').check()
  await expect(rows.filter({ hasText: /^(Brannock 2.5|Halyard 7.6)/ })).toHaveCount(0)
  await expect(dialog(page, name).getByText(/^\d+ of 31 shown\.$/)).toBeVisible()
  await expectAccessible(page, dialogPart)
  await dialog(page, name).getByLabel('Only with a battery port').check()
  await expect(rows.filter({ hasText: 'Brannock' })).toHaveCount(0)
  await expect(rows.filter({ hasText: /^Tamsin 5 H/ })).toHaveCount(1)
  await dialog(page, name).getByLabel('Only with a battery port').uncheck()
  await dialog(page, name).getByLabel('DC/AC from').fill('')
  await dialog(page, name).getByLabel('DC/AC from').press('Enter')
  const best = await rows.nth(1).getByRole('rowheader').innerText()
  await rows
    .nth(1)
    .getByRole('button', { name: `Take ${best}` })
    .click()
  await expect(rows.filter({ hasText: best })).toContainText('chosen')
  await closeDialog(page, name)
  await settled(page)
  await expect(page.getByRole('button', { name: 'No checks' })).toBeVisible()
  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await settled(page)
  await saved(page)
})

test('two inverters side by side share the strings; those that idle are taken back by a remedy', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  const count = page.getByLabel('Inverters of this kind')
  const enter = async (text: string) => {
    await count.fill(text)
    await count.press('Enter')
  }
  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-3800')
  await settled(page)
  const clipped = Math.abs(await figure(page, 'clipping'))
  expect(clipped).toBeGreaterThan(200)
  for (const wrong of ['0', '7', 'two', '1.5']) {
    await enter(wrong)
    await expect(count).toHaveAttribute('aria-describedby', /wrong/)
  }
  await enter('2')
  await settled(page)
  // A line of nought is left out.
  await expect(page.locator('[data-line="clipping"]')).toHaveCount(0)
  const strings = page.getByRole('listitem').filter({ hasText: /^S\d/ })
  await expect(strings).toHaveText([/7, input 1\.1/, /6, input 2\.1/, /4, input 2\.2/])
  await strings.nth(2).getByRole('button').first().click()
  await expect(strings.nth(2)).toContainText('2.2.1 ·')
  await expect(page.getByText('2 × 3.8 kW, 7.60 kW')).toBeVisible()

  await page.getByRole('button', { name: 'Single-line diagram' }).click()
  const drawing = dialog(page, 'Single-line diagram').getByRole('img')
  await expect(drawing).toHaveAttribute('alt', /Input 2\.2: 1 string of 4 modules/)
  await closeDialog(page, 'Single-line diagram')
  await page.getByRole('button', { name: 'Parts list' }).click()
  await expect(dialog(page, 'Parts list').getByLabel('Count: Inverter, Halyard 3.8')).toHaveValue('2')
  await closeDialog(page, 'Parts list')

  await page.getByLabel('Inverter', { exact: true }).selectOption('halyard-7600')
  await enter('6')
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  await expect(page.getByText('Inverter without modules').first()).toBeVisible()
  await page.getByRole('button', { name: 'Take as many as are used' }).click()
  await settled(page)
  await expect(page.getByText('Inverter without modules')).toHaveCount(0)
  await page.keyboard.press('Escape')
  await enter('1')
  await settled(page)
  await saved(page)
})

test('the curves of the inputs: where each works at the moment, none in the dark, and none of optimizers', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Wire')
  await page.getByRole('button', { name: 'Curves of the inputs' }).click()
  const curves = dialog(page, 'Current and voltage of the inputs')
  const clock = curves.getByLabel('Local clock')
  const at = async (time: string) => {
    await clock.fill(time)
    await clock.press('Enter')
  }
  await expect(curves.locator('[data-fresh="true"]')).toBeVisible()
  await expect(curves.getByRole('figure')).toContainText('Working point')
  const row = curves.getByRole('row').filter({ hasText: 'S1' })
  const before = (await row.textContent()) ?? ''
  expect(before).toMatch(/\d+ V, \d+\.\d A/)
  await at('8:00')
  await expect(row).not.toHaveText(before)
  await expect(curves.locator('[data-fresh="true"]')).toBeVisible()
  await expectAccessible(page, dialogPart)
  await at('23:00')
  await expect(curves.getByRole('status')).toContainText('No light falls on the modules')
  await at('15:00')
  await expect(row).toHaveText(before)
  await closeDialog(page, 'Current and voltage of the inputs')
  await page.getByLabel('Optimizers', { exact: true }).selectOption({ label: 'Thrushfield 430' })
  await settled(page)
  await expect(page.getByRole('button', { name: 'Curves of the inputs' })).toHaveCount(0)
  await page.getByLabel('Optimizers', { exact: true }).selectOption({ label: 'none' })
  await settled(page)
  await saved(page)
})
