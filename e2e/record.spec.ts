import { expect, test, type Page } from '@playwright/test'
import { chapter, saved, settled } from './bench'
import { importAs } from './offers'
import { photo } from './photo'

/** A job of its own: what is kept here is seen nowhere else. */
async function ownJob(page: Page): Promise<string> {
  const own = await importAs(page, 'Record')
  await page.goto(`/jobs/${own}`)
  await settled(page)
  return own
}

test('photos, a visit and a permit are kept with the job, shown with what they are of, and not to the customer', async ({
  page,
}) => {
  const id = await ownJob(page)
  await chapter(page, 'Site')
  await expect(page.getByText('no visit · no photo · no permit')).toBeVisible()
  await page.getByRole('button', { name: 'Visits, photos, permits' }).click()
  const sheet = page.getByRole('dialog', { name: 'Visits, photos and permits' })
  await expect(sheet.getByText('No photos yet.')).toBeVisible()
  const photoInput = sheet.getByLabel('Add photos', { exact: true }).and(page.locator('input'))
  await photoInput.setInputFiles([
    { name: 'flat.png', mimeType: 'image/png', buffer: Buffer.from('neither') },
  ])
  await expect(sheet.getByRole('alert')).toContainText('flat.png: The picture is damaged')
  await photoInput.setInputFiles([
    await photo(page, 'Flue.jpg', 'teal'),
    { name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture at all') },
    await photo(page, 'IMG_0042.jpg', 'olive'),
  ])
  await expect(sheet.getByRole('alert')).toContainText('notes.jpg: The picture is damaged')
  const photos = sheet.getByRole('region', { name: 'Photos' })
  await expect(photos.getByRole('img')).toHaveCount(2)
  await expect(photos.getByLabel('Caption').first()).toHaveValue('Flue')
  await expect(photos.getByLabel('Caption').last()).toHaveValue('')
  await photos.getByLabel('Shows').first().selectOption({ label: 'Chimney' })
  // As large as is needed, and no larger.
  const size = await photos
    .getByRole('img')
    .first()
    .evaluate((image: HTMLImageElement) => [image.naturalWidth, image.naturalHeight])
  expect(size).toEqual([2048, 1497])

  await sheet.getByRole('button', { name: 'Add visit' }).click()
  const visits = sheet.getByRole('region', { name: 'Visits' })
  await visits.getByLabel('On').fill('2026-03-09')
  await visits.getByLabel('Who').fill('Ilse Brandt')
  await visits.getByLabel('Notes').fill('Rafters 16 in. Dog in the garden.')
  await sheet.getByRole('button', { name: 'Add permit' }).click()
  const permits = sheet.getByRole('region', { name: 'Permits' })
  await permits.getByLabel('Status').selectOption('granted')
  await permits.getByLabel('Applied on').fill('2026-04-02')
  await permits.getByLabel('Decided on').fill('2026-03-30')
  await expect(permits.getByRole('alert')).toHaveText(/not before it was applied for/i)
  await permits.getByLabel('Decided on').fill('2026-04-30')
  await expect(permits.getByRole('alert')).toHaveCount(0)
  await photos.getByRole('button', { name: 'Delete' }).last().click()
  await expect(photos.getByRole('img')).toHaveCount(1)
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect(page.getByText('1 visit · 2 photos · 1 permit')).toBeVisible()
  await saved(page)

  await page.reload()
  await settled(page)
  await chapter(page, 'Shape')
  await page.getByRole('button', { name: 'Chimney obstruction' }).click()
  await expect(page.getByRole('link', { name: 'Open photo: Flue' })).toBeVisible()
  await chapter(page, 'Site')
  await page.getByRole('button', { name: 'Visits, photos, permits' }).click()
  await expect(visits.getByLabel('Who')).toHaveValue('Ilse Brandt')
  await expect(visits.getByLabel('Notes')).toHaveValue('Rafters 16 in. Dog in the garden.')
  await expect(permits.getByLabel('Decided on')).toHaveValue('2026-04-30')

  const share = await page.request.post(`/api/jobs/${id}/offers`, { data: { optionId: 'option-a' } })
  const { path } = (await share.json()) as { path: string }
  const shown = await (await page.request.get(path)).text()
  expect(shown).toContain('Record')
  for (const ours of ['Ilse', 'Rafters 16', 'Flue', 'granted']) expect(shown).not.toContain(ours)
})

const tower = () => {
  const ring = (z: number) =>
    Array.from({ length: 8 }, (_, k) => {
      const turn = (k * Math.PI) / 4
      return `v ${(1500 * Math.cos(turn)).toFixed(3)} ${(1500 * Math.sin(turn)).toFixed(3)} ${z}`
    })
  const sides = Array.from({ length: 8 }, (_, k) => {
    const [a, b] = [k + 1, ((k + 1) % 8) + 1]
    return [`f ${a} ${b} ${b + 8} ${a + 8}`, `f ${a + 8} ${b + 8} 17`]
  }).flat()
  return [...ring(0), ...ring(9000), 'v 0 0 12000', ...sides].join('\n')
}

test('a 3D model is asked its size, keeps modules off and shades; damaged ones say where; undo takes it out', async ({
  page,
}) => {
  await ownJob(page)
  await chapter(page, 'Shape')
  const input = page.getByLabel('Add 3D model from file')
  const alert = page.locator('p[role="alert"]')
  const cover = page.getByRole('navigation', { name: 'Outline' }).getByRole('button', { name: /^Cover/ })
  const modules = (await cover.textContent()) ?? ''
  const take = (name: string, text: string) =>
    input.setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })
  await take('hall.obj', 'v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 9\n')
  await expect(alert).toContainText('line 4 is not what OBJ has there')
  await take('hall.ifc', 'ISO-10303-21;\nDATA;\n#1=IFCWALL(#2);\nENDSEC;\nEND-ISO-10303-21;\n')
  await expect(alert).toContainText('at line 3')
  await take('hall.glb', 'glTF and then nothing of it')
  await expect(alert).toContainText('damaged')
  await take('hall.obj', 'hello')
  await expect(alert).toContainText('This is no 3D model')
  await take('water tower.obj', tower())
  await expect(page.getByText('“water tower” does not say its units')).toBeVisible()
  await page.getByRole('button', { name: /^millimetres 10 × 10 × 39 ft/ }).click()
  await expect(page.getByLabel('Height', { exact: true })).toHaveValue('39\' 4 1/2"')
  await settled(page)
  await expect(cover).not.toHaveText(modules)
  await page.getByLabel('Height', { exact: true }).fill('20 m')
  await page.getByLabel('Height', { exact: true }).press('Enter')
  await expect(page.getByText(`16' 5" × 16' 5"`)).toBeVisible()
  await page.getByLabel('Modules keep clear').selectOption('no')
  await settled(page)
  // All are back, and those that lie inside it are in too much shade.
  await expect(cover).toHaveText(modules.replace('Cover', 'Cover△'))
  for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Undo', exact: false }).first().click()
  await expect(page.getByRole('button', { name: /^water tower/ })).toHaveCount(0)
  await settled(page)
  await expect(cover).toHaveText(modules)
})
