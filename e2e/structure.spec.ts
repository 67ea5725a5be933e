import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { dialogPart, expectAccessible } from './accessible'
import { chapter, figure, openShippedJob, saved, settled, stage } from './bench'
import { clickingInPlan } from './plan'

const sheet = (page: Page) => page.getByRole('dialog', { name: 'Structure and mounting' })
const open = async (page: Page) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  await page.getByRole('button', { name: 'Structure and mounting' }).click()
  await expect(sheet(page).getByRole('button', { name: 'Close' })).toBeVisible()
}
/** How many of a part the sheet counts. */
const part = async (page: Page, name: string) =>
  Number(
    await sheet(page).getByText(name, { exact: true }).locator('xpath=following-sibling::*[1]').innerText(),
  )

test('a stronger mounting needs fewer attachments; what is too far apart is told and put right', async ({
  page,
}) => {
  await open(page)
  const usual = await part(page, 'Attachments')
  expect(usual).toBeGreaterThan(40)
  await sheet(page)
    .getByLabel(/^Pitched roofs/)
    .selectOption('orrendale-52-shingle')
  await expect.poll(() => part(page, 'Attachments')).toBeLessThan(usual)
  // Counted by hand, and too far apart.
  const every = sheet(page).getByLabel(/^Attach on every/)
  await every.fill('7')
  await every.press('Enter')
  const cells = sheet(page).getByRole('row', { name: /^South, House/ })
  await expect(cells).toContainText(/1\d\d %/)
  // A part of a rafter is no rafter.
  await every.fill('1,5')
  await every.press('Enter')
  await expect(
    sheet(page)
      .getByRole('alert')
      .or(sheet(page).getByText(/whole number/)),
  ).toBeVisible()
  await every.press('Escape')
  await expectAccessible(page, dialogPart)
  await sheet(page).getByRole('button', { name: 'Close' }).click()
  await settled(page)
  await page.getByRole('button', { name: /checks?$/ }).click()
  await expect(page.getByText('Attachments bear too much').first()).toBeVisible()
  await page.getByRole('button', { name: 'As few as hold' }).first().click()
  await settled(page)
  await expect(page.getByText('Attachments bear too much')).toHaveCount(0)
  await page.keyboard.press('Escape')
  await stage(page).focus()
  for (let k = 0; k < 3; k++) await page.keyboard.press('Control+z')
  await saved(page)
  await page.getByRole('button', { name: 'Structure and mounting' }).click()
  await expect.poll(() => part(page, 'Attachments')).toBe(usual)
})

test('racking is drawn on the stage, and on the roof plan', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const before = await stage(page).screenshot()
  const toggle = page.getByRole('button', { name: 'Rails', exact: true })
  await toggle.click()
  await expect(toggle).toHaveAttribute('aria-pressed', 'true')
  await expect.poll(async () => (await stage(page).screenshot()).equals(before)).toBe(false)
  await page.getByRole('button', { name: 'Table of arrays' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Roof plan (SVG)' }).click()
  const svg = await readFile(await (await download).path(), 'utf8')
  expect(svg.match(/<g id="attachments".*?<\/g>/s)?.[0].match(/<polygon/g)?.length ?? 0).toBeGreaterThan(40)
})

test('a new house: all good planes at once, one step; mirrored, held, and trimmed to a number', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('7 cooper')
  await page.getByRole('option', { name: '7 Cooper’s Row, Pellworth' }).click()
  await settled(page)
  const click = await clickingInPlan(page)
  await page.keyboard.press('o')
  for (const [x, y] of [
    [-8, -5],
    [8, -5],
    [8, 1],
    [2, 1],
    [2, 6],
    [-8, 6],
    [-8, -5],
  ] as const)
    await click(x, y)
  await page.keyboard.press('Escape')
  await chapter(page, 'Cover')
  await page.getByRole('button', { name: 'Lay on all good planes' }).click()
  const said = page.getByText(/^\d+ modules laid on \d planes\./)
  // One gable is too small: what no inverter takes is not laid.
  await expect(said).toContainText('empty: a string takes 3 at least.')
  const [modules = 0, planes = 0] = ((await said.innerText()).match(/\d+/g) ?? []).map(Number)
  expect(planes).toBeGreaterThan(1)
  const outline = page.getByRole('navigation', { name: 'Outline' })
  await expect(outline.getByRole('button', { name: /^Cover/ })).toContainText(`${modules} modules`)
  await settled(page)
  const before = await figure(page, 'yield')
  expect(before).toBeGreaterThan(2000)

  // Turned over, every array is the image of what it was.
  await chapter(page, 'Shape')
  await outline
    .getByRole('button', { name: /^House/ })
    .first()
    .click()
  await page.keyboard.press('x')
  await expect(page.getByText('Mirrored.')).toBeVisible()
  await settled(page)
  await expect(outline.getByRole('button', { name: /^Cover/ })).toContainText('modules')
  await chapter(page, 'Cover')
  await page.getByRole('button', { name: 'Structure and mounting' }).click()
  expect(await part(page, 'Attachments')).toBeGreaterThan(modules)
  await sheet(page).getByRole('button', { name: 'Close' }).click()

  await page.getByRole('textbox', { name: 'Modules' }).fill('10')
  await page.getByRole('textbox', { name: 'Modules' }).press('Enter')
  await expect(outline.getByRole('button', { name: /^Cover/ })).toContainText('10 modules')
  await stage(page).focus()
  for (let k = 0; k < 3; k++) await page.keyboard.press('Control+z')
  await saved(page)
  await expect(outline.getByRole('button', { name: /^Cover/ })).toContainText('0 modules')
})
