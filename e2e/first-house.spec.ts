import { expect, test } from '@playwright/test'
import { chapter, figure, saved, settled } from './bench'
import { clickingInPlan, plan } from './plan'

test.use({ contextOptions: { reducedMotion: 'no-preference' } })

test('from an address to a printed offer: draw, cover, see the payback move, undo, reload, share', async ({
  page,
  request,
}) => {
  await page.goto('/')
  await page.getByLabel('New job: where is the house?').fill('23 tern street')
  await page.getByRole('option', { name: '23 Tern Street, Pellworth' }).click()
  await expect(page.getByRole('heading', { name: '23 Tern Street' })).toBeVisible()
  await settled(page)
  await expect(page.getByText('Choose “Outline” and click the corners')).toBeVisible()

  // A house is first drawn in plan.
  await page.keyboard.press('o')
  const at = await plan(page)
  const click = await clickingInPlan(page)
  await click(-6, -4)
  const along = at(0, -4)
  await page.mouse.move(along.x, along.y, { steps: 3 })
  await page.keyboard.type('40')
  await page.keyboard.press('Enter')
  await page.mouse.move(at(6, 3).x, at(6, 3).y, { steps: 3 })
  await click(6.2, 4)
  await click(-6, 4)
  await click(-6, -4)
  const card = page.getByRole('complementary', { name: 'House, building' })
  await expect(card).toBeVisible()
  await expect(page.getByText(`40' 0"`).first()).toBeVisible()

  // A steeper roof, then a gable, both from the card; a bad pitch is said and changes nothing.
  const pitch = card.getByLabel('Pitch', { exact: true })
  await pitch.fill('steep')
  await pitch.press('Enter')
  await expect(card.getByRole('alert')).toContainText('“steep” is not a pitch')
  await pitch.fill('7/12')
  await pitch.press('Enter')
  await expect(card.getByRole('alert')).toHaveCount(0)
  await card.getByLabel('Form of edge 2').selectOption('half-hip')
  await card.getByLabel('changes at').fill('3 ft')
  await card.getByLabel('changes at').press('Enter')
  await expect(card.getByLabel('changes at')).toHaveValue(`3' 0"`)
  await card.getByLabel('Form of edge 2').selectOption('gable')
  await expect(card.getByLabel('Form of edge 2')).toHaveValue('gable')

  await page.keyboard.press('c')
  await click(2, 1)
  await expect(page.getByRole('complementary', { name: 'Chimney, obstruction' })).toBeVisible()
  await page.keyboard.press('t')
  await click(-3, -11)
  const tree = page.getByRole('complementary', { name: 'Tree 1, tree' })
  await tree.getByLabel('Height').fill('9m')
  await tree.getByLabel('Height').press('Enter')

  // Before anything is laid the roofs say where the sun is; one tree more takes some of it.
  const light = async () => Number(await page.locator('[data-sun-map]').getAttribute('data-sun-map'))
  await chapter(page, 'Cover')
  await expect.poll(light).toBeGreaterThan(600)
  const open = await light()
  await page.keyboard.press('t')
  await click(0, -10)
  await expect(page.getByRole('complementary', { name: 'Tree 2, tree' })).toBeVisible()
  await chapter(page, 'Cover')
  await expect.poll(light).toBeLessThan(open)

  await page.keyboard.press('l')
  await click(3, -3)
  await expect(page.getByText(/modules laid/)).toBeVisible()
  const laid = await figure(page, 'payback')
  expect(laid).toBeGreaterThan(2)
  const price = await figure(page, 'price')

  // One module deleted: the payback moves; undone: it is back to the last digit.
  await page.keyboard.press('s')
  await click(3, -2)
  await expect(page.getByRole('complementary', { name: /^Module/ })).toBeVisible()
  await page.keyboard.press('Delete')
  await expect.poll(() => figure(page, 'price')).toBeLessThan(price)
  expect(await figure(page, 'payback')).not.toBe(laid)
  await page.keyboard.press('Control+z')
  await expect.poll(() => figure(page, 'payback')).toBe(laid)

  await saved(page)
  await page.reload()
  expect(await figure(page, 'payback')).toBe(laid)

  await chapter(page, 'Offer')
  await page.getByRole('button', { name: 'Share offer' }).click()
  const link = await page.getByLabel('Link to the proposal').inputValue()
  const [offer] = await Promise.all([
    page.context().waitForEvent('page'),
    page.getByRole('link', { name: 'Open proposal' }).click(),
  ])
  await expect(offer.getByRole('heading', { name: '23 Tern Street, Pellworth' })).toBeVisible()
  await expect(offer.getByText('Payback').first()).toBeVisible()
  await expect(offer.locator('.apexcharts-svg')).toHaveCount(3)

  const pdf = await request.get(`${link}/pdf`)
  expect(pdf.status()).toBe(200)
  const body = await pdf.body()
  expect(body.subarray(0, 5).toString()).toBe('%PDF-')
  expect(body.length).toBeGreaterThan(40_000)
})
