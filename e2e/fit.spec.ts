import { expect, test } from '@playwright/test'
import { chapter, saved, settled } from './bench'

test('a house is read from heights: accepted but for one tree, and taken back', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('9 tern street')
  await page.getByRole('option', { name: '9 Tern Street, Pellworth' }).click()
  await expect(page.getByRole('heading', { name: '9 Tern Street' })).toBeVisible()
  await chapter(page, 'Shape')
  await page.getByRole('button', { name: 'Read house from heights' }).click()

  const sheet = page.getByRole('dialog', { name: 'House from heights' })
  const accept = sheet.getByRole('button', { name: /^Put \d+ objects in place$/ })
  await expect(accept).toBeVisible({ timeout: 60_000 })
  await expect(sheet.getByText(/\d+ planes\. \d+% of the heights lie within/)).toBeVisible()
  const house = sheet.getByRole('checkbox', { name: /^House: eave at/ })
  await expect(house).toBeChecked()
  const trees = sheet.getByRole('checkbox', { name: /^Tree, / })
  const found = await trees.count()
  expect(found).toBeGreaterThan(0)
  await trees.first().uncheck()
  await accept.click()

  await expect(page.getByText(/objects read from heights\. Check the pitches/)).toBeVisible()
  await settled(page)
  const outline = page.getByRole('navigation', { name: 'Outline' })
  await expect(outline.getByRole('button', { name: /^House\b/ })).toBeVisible()
  await expect(outline.getByRole('button', { name: /^Tree \d+/ })).toHaveCount(found - 1)
  await expect(outline.getByText(/^Roof planes, /)).toBeVisible()
  await saved(page)

  // Read again, what is drawn takes on what is read and nothing is there twice.
  await page.getByRole('button', { name: 'Read house from heights' }).click()
  await expect(sheet.getByRole('checkbox', { name: /^House: sets outline/ })).toBeVisible({ timeout: 60_000 })
  await expect(sheet.getByRole('checkbox', { name: /^Tree, .*drawn already/ })).toHaveCount(found - 1)
  await sheet.getByRole('button', { name: 'Close' }).click()

  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(outline.getByRole('button', { name: /^House\b/ })).toBeHidden()
})

test('a picture is no raster, and a reading can be stopped', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('11 tern street')
  await page.getByRole('option', { name: '11 Tern Street, Pellworth' }).click()
  await chapter(page, 'Shape')
  await page.route('**/world/heights*', async (route) => {
    await new Promise((later) => setTimeout(later, 3_000))
    await route.continue()
  })
  await page.getByRole('button', { name: 'Read house from heights' }).click()
  const sheet = page.getByRole('dialog', { name: 'House from heights' })
  await sheet.getByRole('button', { name: 'Stop' }).click()
  await expect(sheet.getByText('Stopped. Nothing was changed.')).toBeVisible()
  await sheet.getByLabel('Own raster (GeoTIFF)').setInputFiles({
    name: 'roof.tif',
    mimeType: 'image/tiff',
    buffer: Buffer.from('\x89PNG\r\n\x1a\n, and no heights at all'),
  })
  await expect(sheet.getByRole('alert')).toContainText('“roof.tif” cannot be read as a GeoTIFF')
})
