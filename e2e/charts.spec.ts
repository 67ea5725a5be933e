import { expect, test, type Page } from '@playwright/test'
import { chapter, figure, settled } from './bench'
import { importAs, setDeleted } from './offers'

const chart = (page: Page, title: RegExp) => page.getByRole('figure', { name: title })

/** Leaves a mark in a chart's drawing, which is gone once it is drawn anew. */
const mark = (page: Page, title: RegExp) =>
  chart(page, title)
    .locator('.apexcharts-inner')
    .evaluate((drawing) => drawing.setAttribute('data-mark', ''))

const marks = (page: Page, title: RegExp) => chart(page, title).locator('[data-mark]')

async function priceIs(page: Page, price: string): Promise<void> {
  const field = page.getByLabel('Price per watt')
  await field.fill(price)
  await field.press('Enter')
  await settled(page)
}

test('a chart is drawn anew for new figures, in sight at once and further down when it comes into it, and for nothing else', async ({
  page,
}) => {
  const id = await importAs(page, 'Charts')
  await page.setViewportSize({ width: 1280, height: 500 })
  await page.goto(`/jobs/${id}`)
  await settled(page)
  await chapter(page, 'Offer')
  const [cash, bill] = [/^Cumulat/, /^Bill/]
  const paidBack = async () => `${(await figure(page, 'payback')).toFixed(1)} years`
  await expect(chart(page, cash).first().locator('.apexcharts-svg')).toBeAttached()
  await expect(chart(page, bill).locator('.apexcharts-svg')).toBeAttached()

  // Out of sight below the comparison: it keeps its old drawing until one looks at it.
  const course = chart(page, cash).first()
  const said = course.locator('.apexcharts-xaxis-annotations text')
  await page.getByRole('region', { name: 'Charts' }).evaluate((region) => region.scrollTo(0, 0))
  await expect(course).not.toBeInViewport()
  const before = await paidBack()
  await expect(said).toContainText(before)
  await mark(page, bill)
  await priceIs(page, '3.90')
  const after = await paidBack()
  expect(after).not.toBe(before)
  await page.waitForTimeout(1500)
  await expect(said).toContainText(before)
  await expect(course.locator('[data-stale]')).toHaveCount(1)
  await course.scrollIntoViewIfNeeded()
  await expect(said).toContainText(after)
  await expect(course.locator('[data-stale]')).toHaveCount(0)

  // In sight it follows by itself; the bill knows no price and is left alone.
  await priceIs(page, '2.40')
  await expect(said).toContainText(await paidBack())
  await chart(page, bill).scrollIntoViewIfNeeded()
  await page.waitForTimeout(1500)
  await expect(marks(page, bill)).toHaveCount(1)
  await setDeleted(page, id, true)
})
