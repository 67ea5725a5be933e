import { expect, type Page } from '@playwright/test'
import { chapter, shippedJobId } from './bench'

/** Shares the offer of the option on the screen; its link. */
export const shareOffer = async (page: Page): Promise<string> => {
  await chapter(page, 'Offer')
  await page.getByRole('button', { name: 'Share offer' }).click()
  const link = page.getByLabel('Link to the proposal')
  await expect(link).toBeVisible()
  return link.inputValue()
}

/** The shipped job under another name, as a job of its own. */
export async function importAs(page: Page, name: string): Promise<string> {
  const id = await shippedJobId(page)
  const file = (await (await page.request.get(`/api/jobs/${id}/export`)).json()) as Record<string, unknown>
  const answer = await page.request.post('/api/jobs/import', { data: { ...file, name } })
  expect(answer.status()).toBe(201)
  return ((await answer.json()) as { id: string }).id
}

export const setDeleted = async (page: Page, id: string, deleted: boolean) =>
  expect((await page.request.patch(`/api/jobs/${id}`, { data: { deleted } })).ok()).toBe(true)
