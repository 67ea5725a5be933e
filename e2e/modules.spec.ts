import { expect, test, type Page } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled, stage } from './bench'

const outline = (page: Page) => page.getByRole('navigation', { name: 'Outline' })
const sheet = (page: Page) => page.getByRole('dialog')

test('the catalogue is searched, sorted and compared, and a module of which fewer fit is asked about', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  await outline(page).getByRole('button', { name: 'Browse and compare modules' }).click()
  await expect(sheet(page).getByText('46 modules')).toBeVisible()
  await sheet(page).getByLabel('Search').fill('corvane')
  await expect(sheet(page).getByText('6 modules')).toBeVisible()
  await sheet(page).getByRole('button', { name: 'Price', exact: true }).click()
  const names = sheet(page).locator('tbody tr td:nth-child(2)')
  await expect(names.first()).toHaveText('Corvane 466 BC Long')
  await sheet(page).getByRole('button', { name: 'Price', exact: true }).click()
  await expect(names.first()).toHaveText('Corvane 395 BC')
  await sheet(page).getByLabel('Search').fill('')
  await sheet(page).getByLabel('At least').fill('450,5')
  await sheet(page).getByLabel('At least').press('Enter')
  await expect(names.first()).not.toHaveText(/4[0-4]\d/)
  await expectAccessible(page, dialogPart)
  await sheet(page).getByRole('checkbox', { name: 'Compare Lumenfold 455 N' }).check()
  await sheet(page).getByRole('checkbox', { name: 'Compare Brindlecote 582 Twin' }).check()
  await sheet(page).getByRole('button', { name: 'Compare 2' }).click()
  const row = (name: string) => sheet(page).getByRole('row', { name: new RegExp(`^${name} `) })
  await expect(row('Weight')).toContainText('48.5 lb')
  await expect(row('Modules')).toContainText('16')
  await expectAccessible(page, dialogPart)
  await sheet(page).getByRole('button', { name: 'Choose Lumenfold 455 N' }).click()
  const asked = page.getByRole('group', { name: /^Fewer of Lumenfold 455 N fit/ })
  await expect(asked).toContainText('17 modules, 7.14 kW → 16 modules, 7.28 kW')
  await asked.getByRole('button', { name: 'Keep the Lumenfold 420 M' }).click()
  await expect(asked).toBeHidden()
  await expect(outline(page).getByLabel('Module', { exact: true })).toHaveValue('lumenfold-420')
})

test('own modules come from a table and are typed; what is wrong is said, one that is laid stays', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const before = await figure(page, 'yield')
  await outline(page).getByRole('button', { name: 'Browse and compare modules' }).click()
  const importing = async (text: string) => {
    const chooser = page.waitForEvent('filechooser')
    await sheet(page).getByRole('button', { name: 'Import CSV' }).click()
    await (await chooser).setFiles({ name: 'own.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  }
  const heading =
    'name;power_w;length_m;width_m;voc_v;vmp_v;isc_a;imp_a;power_pct_per_c;voc_pct_per_c;isc_pct_per_c;price'
  await importing('name;power_w\nFenwick 400;400\n')
  await expect(sheet(page).getByRole('alert')).toContainText('lacks the length_m, width_m')
  await importing(`${heading}\nFenwick 400;400;1,7;1,1;37,1;31,2;13,6;viele;-0,34;-0,26;0,05;170\n`)
  await expect(sheet(page).getByRole('alert')).toContainText('Line 2: imp_a: “viele” is not a number.')
  await importing(`${heading}\nFenwick 400;400;1,7;1,1;37,1;31,2;13,6;12,82;-0,34;-0,26;0,05;170\n`)
  await expect(sheet(page).getByText('47 modules')).toBeVisible()
  await sheet(page).getByRole('button', { name: 'Choose Fenwick 400' }).click()
  await settled(page)
  await saved(page)
  const laid = await figure(page, 'yield')
  expect(laid).not.toBeCloseTo(before, 0)
  // It stays while it is laid, and is changed with all that follows from it.
  await outline(page).getByRole('button', { name: 'Browse and compare modules' }).click()
  await sheet(page).getByRole('button', { name: 'Fenwick 400', exact: true }).click()
  await sheet(page).getByRole('button', { name: 'Delete' }).click()
  await expect(sheet(page).getByRole('alert')).toContainText('This module is laid in Roof only')
  await sheet(page).getByRole('button', { name: 'Edit' }).click()
  await sheet(page)
    .getByLabel(/^Rated power/)
    .fill('500')
  await sheet(page).getByRole('button', { name: 'Save module' }).click()
  await expect(sheet(page).getByRole('alert')).toContainText(
    'Vmp × Imp is 400 W, but the rated power is 500 W',
  )
  await sheet(page)
    .getByLabel(/^Rated power/)
    .fill('401')
  await expectAccessible(page, dialogPart)
  await sheet(page).getByRole('button', { name: 'Save module' }).click()
  await page.keyboard.press('Escape')
  await settled(page)
  await expect.poll(() => figure(page, 'yield')).not.toBe(laid)
  await stage(page).focus()
  for (let k = 0; k < 3; k++) await page.keyboard.press('Control+z')
  await saved(page)
  await expect.poll(() => figure(page, 'yield')).toBeCloseTo(before, 6)
})
