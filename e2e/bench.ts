import { expect, type Locator, type Page } from '@playwright/test'

/** Opens the start page and the shipped job, and waits for its numbers. */
export async function openShippedJob(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByRole('link', { name: 'Okafor-Lindqvist', exact: true }).click()
  await settled(page)
}

/** The id of the shipped job, whose bench is not opened for it. */
export async function shippedJobId(page: Page): Promise<string> {
  await page.goto('/')
  const link = page.getByRole('link', { name: 'Okafor-Lindqvist', exact: true })
  return (await link.getAttribute('href'))?.split('/').at(-1) ?? ''
}

/** All numbers on the screen belong to the design on the screen. */
export const settled = (page: Page) =>
  expect(page.locator('section[aria-label="Ledger"][data-fresh="true"]')).toBeVisible()

export const saved = (page: Page) => expect(page.locator('[data-save="saved"]')).toBeVisible()

/** A ledger figure, unrounded. */
export async function figure(page: Page, line: string): Promise<number> {
  await settled(page)
  return Number(await page.locator(`[data-line="${line}"]`).getAttribute('data-value'))
}

export const chapter = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Outline' })
    .getByRole('button', { name: new RegExp(`^${name}\\b`) })
    .click()

export const stage = (page: Page) => page.getByLabel(/^Stage: the house/)

/** Where something stands once it has come to rest: the camera takes its time to a view. */
export async function restingBox(
  thing: Locator,
): Promise<NonNullable<Awaited<ReturnType<Locator['boundingBox']>>>> {
  let last = await thing.boundingBox()
  // Twice the same may be before the first picture of the way there, on a machine that has much to do.
  let still = 0
  await expect
    .poll(
      async () => {
        const before = last
        last = await thing.boundingBox()
        still = last !== null && JSON.stringify(last) === JSON.stringify(before) ? still + 1 : 0
        return still
      },
      { intervals: [250] },
    )
    .toBeGreaterThan(2)
  if (!last) throw new Error('it is on the screen')
  return last
}
