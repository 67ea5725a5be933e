import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { chapter } from './bench'
import { importAs, setDeleted } from './offers'

const door = (act: string) => fetch(`${process.env['TEST_DOOR']}/${act}`, { method: 'POST' })

/** A figure of the dashboard's facts. */
const fact = (page: Page, name: string) =>
  page.getByRole('region', { name: 'Work' }).getByText(name, { exact: true }).locator('..')

test('with the worker killed an offer waits for the next one, which sends it once; the owner sees what waits', async ({
  page,
}) => {
  test.setTimeout(300_000)
  const id = await importAs(page, 'Long work')
  await page.goto(`/jobs/${id}`)
  await chapter(page, 'Offer')
  await door('kill-worker')
  await page.getByRole('button', { name: 'Share offer' }).click()
  // A second screen: the owner looks at what there is to do.
  const owner = await page.context().newPage()
  await expect(async () => {
    await owner.goto('/dashboard')
    await expect(fact(owner, 'Waiting')).toHaveText(/[1-9]\d*, the oldest for \d+ s/, { timeout: 1000 })
  }).toPass()
  expect((await new AxeBuilder({ page: owner }).analyze()).violations).toEqual([])
  const { status, text } = await owner.evaluate(async () => {
    const answer = await fetch('/health')
    return { status: answer.status, text: await answer.text() }
  })
  expect({ status, text }).toMatchObject({ status: 200 })
  await door('start-worker')
  // A new worker has to begin first.
  const address = page.getByLabel('Link to the proposal')
  await expect(address).toBeVisible({ timeout: 120_000 })
  const link = await address.inputValue()
  const sent = (await (await page.request.get(`/api/jobs/${id}/offers`)).json()) as {
    readonly offers: readonly unknown[]
  }
  expect(sent.offers).toHaveLength(1)

  // The same with the paper that the customer asks for.
  await door('kill-worker')
  const printed = page.request.get(`${link}/pdf`, { timeout: 120_000 })
  await door('start-worker')
  expect((await printed).headers()['content-type']).toBe('application/pdf')
  await owner.close()
  await setDeleted(page, id, true)
})
