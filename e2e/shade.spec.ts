import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { chapter, figure, openShippedJob, restingBox, saved, settled, stage } from './bench'

const bill = (page: Page) => page.getByRole('table', { name: 'Shade bill' })

test('a tree is moved off: the sun map, the shade bill and the payback follow', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const map = page.locator('[data-sun-map]')
  await expect(map).toHaveAttribute('data-sun-map', /\d/)
  const before = await map.getAttribute('data-sun-map')
  const [shade, payback] = [await figure(page, 'shade'), await figure(page, 'payback')]
  await chapter(page, 'Shape')
  await page.getByRole('button', { name: /^Oak, west fence/ }).click()
  await stage(page).focus()
  // Forty nudges to the west, away from the house.
  for (let k = 0; k < 40; k++) await page.keyboard.press('Shift+ArrowLeft')
  await saved(page)
  await expect.poll(() => figure(page, 'shade')).toBeGreaterThan(shade + 20)
  expect(await figure(page, 'payback')).toBeLessThan(payback)
  await page.keyboard.press('w')
  await expect(bill(page).getByRole('row', { name: /^Oak, garden/ })).toBeVisible()
  const rows = await bill(page).getByRole('row').allInnerTexts()
  expect(rows.findIndex((row) => row.includes('Oak, garden'))).toBeLessThan(
    rows.findIndex((row) => row.includes('Oak, west fence')),
  )
  await page.keyboard.press('Escape')
  await chapter(page, 'Cover')
  await expect(map).not.toHaveAttribute('data-sun-map', before ?? '')
  await stage(page).focus()
  for (let k = 0; k < 40; k++) await page.keyboard.press('Control+z')
  await expect.poll(() => figure(page, 'shade')).toBeCloseTo(shade, 6)
  await saved(page)
})

test('what if an oak were gone or trimmed: for this option alone, in its sums and its reason, until it stands again', async ({
  page,
}) => {
  await openShippedJob(page)
  const shade = await figure(page, 'shade')
  const other = page.getByRole('tab', { name: /^B/ })
  // The other option may still be computed: what it says is worth keeping when it has a size and a payback.
  await expect(other).toContainText(/kW · .*\d/)
  const otherBefore = await other.innerText()
  await page.keyboard.press('w')
  const total = bill(page).getByRole('row', { name: /^Total/ })
  const energies = async () => {
    const cells = await bill(page).locator('tbody tr td:nth-child(3)').allInnerTexts()
    return cells.reduce((sum, text) => sum + Number(text.replace(',', '')), 0)
  }
  /** What the ledger shows. */
  const shown = async () => {
    await settled(page)
    const text = await page.locator('[data-line="shade"]').innerText()
    return Number(/−([\d,]+)/.exec(text)?.[1]?.replace(',', ''))
  }
  await expect(total).toContainText(String(await shown()))
  expect(await energies()).toBe(await shown())
  const choice = page.getByLabel('What if: Oak, west fence')
  await choice.selectOption('gone')
  await expect.poll(() => figure(page, 'shade')).toBeGreaterThan(shade + 60)
  await expect(bill(page).getByRole('row', { name: /^Oak, west fence/ })).toContainText('0')
  expect(await energies()).toBe(await shown())
  // Trimmed, to a height that is typed; what is no height is refused where it was typed.
  await choice.selectOption('trimmed')
  const height = page.getByLabel('Oak, west fence, trimmed to')
  await height.fill('tall')
  await height.press('Enter')
  await expect(page.getByText(/“?tall”? is not a length/)).toBeVisible()
  await height.press('Escape')
  await height.fill("15'")
  await height.press('Enter')
  await expect(height).toHaveValue(/^15'/)
  await page.getByRole('button', { name: 'Close' }).click()
  await chapter(page, 'Shape')
  await expect(page.getByRole('button', { name: 'Oak, west fence what if trimmed' })).toBeVisible()
  await expect(other).toHaveText(otherBefore.replace(/\s+/g, ' '), { useInnerText: true })
  await saved(page)
  await page.reload()
  await settled(page)
  // The reason of the line says so too.
  await page
    .getByRole('button', { name: /^Shade/ })
    .first()
    .click()
  await expect(page.getByText(/Oak, west fence: trimmed to 15'.* in this option/)).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('w')
  await page.getByLabel('What if: Oak, west fence').selectOption('')
  await expect.poll(() => figure(page, 'shade')).toBeCloseTo(shade, 6)
  await page.keyboard.press('Escape')
  await saved(page)
})

test('a spot of the carpet where shade takes most brings the stage there and names what casts it', async ({
  page,
}) => {
  await openShippedJob(page)
  await page.getByRole('radio', { name: 'Shade', exact: true }).click()
  const carpet = page.getByRole('slider', { name: 'Day and hour' })
  const box = await carpet.boundingBox()
  if (!box) throw new Error('the carpet is on the screen')
  // An afternoon of early January, with the sun low behind the western oak.
  await page.mouse.click(box.x + (8.5 / 365) * box.width, box.y + (1 - 15.5 / 24) * box.height)
  await expect(page.getByText(/\d+ % lost to shade\. Most of it to Oak, west fence\./)).toBeVisible()
  await expect(page.getByLabel('Local clock')).toHaveValue(/^15:[23]/)
  await page.mouse.click(box.x + (8.5 / 365) * box.width, box.y + (1 - 2 / 24) * box.height)
  await expect(page.getByText('No sun at this hour.')).toBeVisible()
})

test('a module’s own hours and sky: picture, table and file', async ({ page }) => {
  await openShippedJob(page)
  await page.keyboard.press('w')
  await expect(page.getByText(/^All 17 modules:/)).toBeVisible()
  await page.getByRole('button', { name: 'Select this module' }).click()
  await expect(page.getByText(/^1 selected module:/)).toBeVisible()
  const picture = page.getByRole('img', { name: 'Sun path and what stands in its way' })
  await expect(picture).toContainText('Oak, west fence')
  await expect(picture).toContainText(/\d\.\d %/)
  await page.getByRole('radio', { name: 'Beam' }).click()
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ''}`)).toEqual([])
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'CSV' }).click()
  expect((await download).suggestedFilename()).toBe('sun-access.csv')
})

test('the sun map of a month, sun access on the modules, and the solstices by keys', async ({ page }) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  const map = page.locator('[data-sun-map]')
  const light = async () => Number(await map.getAttribute('data-sun-map'))
  await expect(map).toHaveAttribute('data-sun-map', /\d/)
  const year = await light()
  await page.getByLabel('Sun map of').selectOption('Dec')
  await expect.poll(light).toBeLessThan(year / 12)
  const december = await light()
  expect(december).toBeGreaterThan(5)
  await page.getByLabel('Sun map of').selectOption('Jun')
  await expect.poll(light).toBeGreaterThan(1.5 * december)
  // Hours of direct sun a day: told as they are, or as what is missing to the best plane.
  await page.getByLabel('Sun map of').selectOption('Sun a day, Dec–Feb')
  await expect.poll(light).toBeLessThan(9.8)
  expect(await light()).toBeGreaterThan(2)
  const legend = page.getByLabel('Unit of the sun map').locator('../..')
  await expect(legend).toContainText(/0\.0\d\.\d\d\.\d/)
  await page.getByLabel('Unit of the sun map').selectOption('h of shade')
  await expect(legend).toContainText(/\d\.\d0\.0Fewer than the best plane/)
  await page.getByLabel('Sun map of').selectOption('Jun')
  await page.getByLabel('Unit of the sun map').selectOption('% of best')
  await page.getByLabel('Sun access on modules, %').check()
  await expect(page.locator('[data-access]').first()).toHaveText(/^\d+$/)
  await stage(page).focus()
  await page.keyboard.press(',')
  await expect(page.getByLabel('Day', { exact: true })).toHaveValue(/-12-21$/)
  await page.keyboard.press('.')
  await expect(page.getByLabel('Day', { exact: true })).toHaveValue(/-06-21$/)
})

test('hills come from a table: they take light under their own name, and behind them the sun is out', async ({
  page,
}) => {
  await openShippedJob(page)
  const shade = await figure(page, 'shade')
  await chapter(page, 'Site')
  const take = (text: string) =>
    page
      .getByLabel('Import CSV: Far horizon')
      .setInputFiles({ name: 'hills.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await take('azimuth,elevation\n0,4\n90,high')
  const wrong = page.locator('p[role="alert"]')
  await expect(wrong).toContainText('Line 3: “high” is not a number')
  await take('azimuth;elevation\n0;4\n90;24,5\n180;2\n270;24,5\n')
  await expect(page.getByText('4 points, highest 24.5° in the east')).toBeVisible()
  await expect(wrong).toHaveCount(0)
  await expect.poll(() => figure(page, 'shade')).toBeLessThan(shade - 200)
  await page.getByLabel('Local clock').fill('07:00')
  await page.getByLabel('Local clock').press('Enter')
  await expect(page.getByText('behind the far horizon')).toBeVisible()
  await stage(page).focus()
  await page.keyboard.press('w')
  const row = bill(page).getByRole('row', { name: /^Far horizon/ })
  await expect(row).toBeVisible()
  await expect(row.getByRole('button')).toHaveCount(0)
  await expect(row.getByRole('combobox')).toHaveCount(0)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Count from south' }).click()
  await expect(page.getByText('4 points, highest 24.5° in the east')).toBeVisible()
  await page.getByRole('button', { name: 'Remove', exact: true }).click()
  await expect.poll(() => figure(page, 'shade')).toBeCloseTo(shade, 6)
  await expect(page.getByText('Level all around.')).toBeVisible()
  await saved(page)
})

test('the sun path is seen from any point: of a roof, and of the ground before anything is drawn', async ({
  page,
}) => {
  await openShippedJob(page)
  await chapter(page, 'Cover')
  await page.getByRole('button', { name: /^Sun path/ }).click()
  await expect(page.getByText('Click a point of a roof, of a wall or of the ground')).toBeVisible()
  const box = await restingBox(stage(page))
  await page.mouse.click(box.x + box.width * 0.41, box.y + box.height * 0.45)
  const sheet = page.getByRole('dialog', { name: 'Shade' })
  await expect(
    sheet.getByText(/on a roof plane, 1\d' .* over the ground\. [\d,]+ of [\d,]+ hours of sun/),
  ).toBeVisible()
  await expect(sheet.getByText('behind the roof plane')).toBeVisible()
  // What stands in the way is named, whatever it costs; what stands behind the plane is in nobody’s way.
  const picture = sheet.getByRole('img', { name: 'Sun path and what stands in its way' })
  for (const name of ['Oak, garden', 'Shed dormer', 'Chimney'])
    await expect(picture.locator('text', { hasText: name })).toBeVisible()
  await expect(picture.locator('text', { hasText: 'Oak, west fence' })).toHaveCount(0)
  await sheet.getByRole('button', { name: 'Back to the modules' }).click()
  await expect(sheet.getByText('Seen from the middle of the most shaded module')).toBeVisible()
  await page.keyboard.press('Escape')

  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('27 tern street')
  await page.getByRole('option', { name: '27 Tern Street, Pellworth' }).click()
  await settled(page)
  await stage(page).focus()
  await page.keyboard.press('-')
  await expect(page.getByText('Click a point of a roof, of a wall or of the ground')).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await expect(
    sheet.getByText(
      /clicked, 1" over the ground\. 4,\d\d\d of 4,\d\d\d hours of sun in a year reach it \(100 %\)/,
    ),
  ).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('w')
  await expect(sheet.getByRole('img', { name: /^Sun path/ })).toHaveCount(0)
})

test('a height that nobody has set says in the list of checks what half a metre more may cost', async ({
  page,
}) => {
  await openShippedJob(page)
  await stage(page).focus()
  await page.keyboard.press('c')
  const box = await restingBox(stage(page))
  await page.mouse.click(box.x + box.width * 0.41, box.y + box.height * 0.45)
  await page.getByRole('button', { name: /^\d+ checks?$/ }).click()
  const checks = page.getByRole('region', { name: 'Checks' })
  const row = checks.getByRole('article').filter({ hasText: /Height of .* is not set/ })
  await expect(row.getByText(/^1' 7 1\/2" more would cost [\d.]+ kWh, \$[\d.]+ a year\.$/)).toBeVisible()
  await page.keyboard.press('Escape')
  await stage(page).focus()
  await page.keyboard.press('Control+z')
  await saved(page)
  await expect(page.getByRole('button', { name: 'No checks' })).toBeVisible()
})
