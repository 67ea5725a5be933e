import { expect, test } from '@playwright/test'
import { chapter, restingBox, saved, settled, shippedJobId } from './bench'
import { importAs, setDeleted, shareOffer } from './offers'

test('an offer is for whoever has its link, as it was sent, until it is withdrawn', async ({
  page,
  playwright,
  baseURL,
}) => {
  const id = await importAs(page, 'Wintergreen')
  await page.goto(`/jobs/${id}`)
  await settled(page)
  const first = await shareOffer(page)
  const share = await page.request.post(`/api/jobs/${id}/offers`, { data: { optionId: 'option-a' } })
  const { path: second } = (await share.json()) as { path: string }
  expect(new URL(first).pathname).not.toBe(second)
  expect(second).toMatch(/^\/offer\/[\w-]{43}$/)

  const customer = await playwright.request.newContext({ baseURL: baseURL ?? '' })
  const open = await customer.get(second)
  expect(open.status()).toBe(200)
  expect(open.headers()['x-robots-tag']).toContain('noindex')
  expect(open.headers()['content-security-policy']).toContain("frame-ancestors 'none'")
  expect(open.headers()['referrer-policy']).toBe('no-referrer')
  const text = await open.text()
  expect(text).toContain('Wintergreen')
  // The customer gets no way into the job.
  expect(text).not.toContain(id)
  expect((await customer.get(`/api/jobs/${id}`)).status()).toBe(401)
  // The figures of the page for programs, for whoever has the link too.
  const figures = await customer.get(`${second}/figures`)
  expect(figures.headers()['content-disposition']).toContain('offer.json')
  expect(await figures.json()).toMatchObject({ format: 'tall-gable-offer-figures', job: 'Wintergreen' })
  const table = await (await customer.get(`${second}/figures?format=csv`)).text()
  expect(table).toContain('figures,price,,')
  expect(table).not.toContain(id)
  expect((await customer.get(`/offer/${'A'.repeat(43)}/figures`)).status()).toBe(404)
  expect(text).toContain('In short')
  // One letter off is another link.
  const off = second.slice(0, -1) + (second.endsWith('A') ? 'B' : 'A')
  expect((await customer.get(off)).status()).toBe(404)

  // The job moves on: the customer sees what was sent, and the designer hears that it is old.
  const price = async () => /Installed.*?\$([\d,]+)/.exec(await (await customer.get(second)).text())?.[1]
  const before = await price()
  expect(before).toBeDefined()
  await page.getByLabel('Price per watt').fill('3.60')
  await page.getByLabel('Price per watt').press('Enter')
  await expect(page.getByRole('button', { name: 'Share the newer offer' })).toBeVisible()
  await expect(page.getByText('The customer still sees what was sent then')).toBeVisible()
  expect(await price()).toBe(before)
  // To a customer who reads Spanish, with the house turned for it.
  await page.getByRole('button', { name: 'Customer’s page' }).click()
  await expect(page.getByText('Begins as seen from the sunny side')).toBeVisible()
  await page.getByRole('button', { name: 'Choose the view' }).click()
  const picture = page.getByRole('dialog').getByLabel(/^The house with its modules; drag/)
  const { x, y, width, height } = await restingBox(picture)
  await page.mouse.move(x + width / 2, y + height / 2)
  await page.mouse.down()
  await page.mouse.move(x + width / 2 - 150, y + height / 2, { steps: 4 })
  await page.mouse.up()
  await picture.press('ArrowLeft')
  await page.getByRole('button', { name: 'Shadows of the stage: May 21, 15:00' }).click()
  await page.getByRole('button', { name: 'Keep this view' }).click()
  await expect(page.getByText('Begins as you have kept it, with the shadows of May 21, 15:00.')).toBeVisible()
  await saved(page)
  type View = Record<'eye' | 'target', [number, number, number]>
  const views: View[] = []
  JSON.parse(await (await page.request.get(`/api/jobs/${id}/export`)).text(), (key, value: View | null) => {
    if (key === 'view' && value) views.push(value)
    return value
  })
  const [{ eye, target }] = views as [View]
  // From 205° at first; left by the hand and by a key is to the east.
  const azimuthDeg = (Math.atan2(eye[0] - target[0], eye[1] - target[1]) * 180) / Math.PI
  expect(azimuthDeg).toBeGreaterThan(20)
  expect(azimuthDeg).toBeLessThan(150)
  await page.getByRole('dialog').getByLabel('Language').selectOption('es')
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click()
  const sent = page.getByRole('region', { name: 'Offers sent' })
  await page.getByRole('button', { name: 'Share the newer offer' }).click()
  await expect(page.getByLabel('Link to the proposal')).toBeVisible()
  const third = new URL(await page.getByLabel('Link to the proposal').inputValue()).pathname
  const spanish = await (await customer.get(third)).text()
  for (const said of [
    'lang="es"',
    '<title>Su oferta solar</title>',
    'En pocas palabras',
    'Usted paga',
    'sombras del 21 de mayo, 15:00',
  ])
    expect([said, spanish.includes(said)]).toEqual([said, true])
  for (const said of ['In short', 'You pay', 'Your solar offer']) expect(spanish.includes(said)).toBe(false)
  await expect(sent.getByRole('listitem')).toHaveCount(3)
  await expect(sent.getByText(/^seen \d+ times?, last/).first()).toBeVisible()

  // Withdrawn it says so, without a word of what it held; the others stand.
  const listed = (await (await page.request.get(`/api/jobs/${id}/offers`)).json()) as {
    offers: { id: string; path: string }[]
  }
  const old = listed.offers.find(({ path }) => path === second)
  const withdraw = (withdrawn: boolean) =>
    page.request.patch(`/api/jobs/${id}/offers/${old?.id}`, { data: { withdrawn } })
  expect((await withdraw(true)).ok()).toBe(true)
  const gone = await (await customer.get(second)).text()
  expect(gone).toContain('no longer valid')
  expect(gone).not.toContain('Wintergreen')
  expect((await customer.get(`${second}/pdf`)).status()).toBe(410)
  expect((await withdraw(false)).ok()).toBe(true)

  // The job deleted, its offers are what they were.
  await setDeleted(page, id, true)
  expect((await customer.get(second)).status()).toBe(200)
  expect((await customer.get(new URL(first).pathname)).status()).toBe(200)
  await customer.dispose()
})

test('names are text wherever they stand, and no page asks for anything from elsewhere', async ({ page }) => {
  const refused: string[] = []
  const strange: string[] = []
  page.on('console', (message) => {
    if (/Content Security Policy/i.test(message.text())) refused.push(message.text())
  })
  page.on('request', (request) => {
    const url = new URL(request.url())
    if (url.protocol.startsWith('http') && url.hostname !== '127.0.0.1') strange.push(request.url())
  })
  const name = '<img src=x onerror="window.taken=1"><b>Bold</b>'
  const id = await importAs(page, name)
  await page.goto('/')
  await expect(page.getByRole('link', { name, exact: true })).toBeVisible()
  await page.goto(`/jobs/${id}`)
  await settled(page)
  await expect(page.getByText(name).first()).toBeVisible()
  for (const part of ['Cover', 'Match', 'Store']) await chapter(page, part)
  await page.goto(await shareOffer(page))
  await expect(page.getByText(name).first()).toBeVisible()
  await expect(page.locator('.apexcharts-series').first()).toBeVisible()
  expect(await page.evaluate(() => 'taken' in window)).toBe(false)
  expect(refused).toEqual([])
  expect(strange).toEqual([])
  await setDeleted(page, id, true)
})

test('what no page of ours would send is answered, not stumbled over', async ({ page }) => {
  const id = await shippedJobId(page)
  const post = (path: string, data: unknown) => page.request.post(path, { data })
  const nobody = crypto.randomUUID()
  expect((await page.request.get(`/api/jobs/${nobody}`)).status()).toBe(404)
  expect((await page.request.get(`/api/jobs/${nobody}/export`)).status()).toBe(404)
  expect((await post(`/api/jobs/${nobody}/offers`, { optionId: 'option-a' })).status()).toBe(404)
  expect((await page.request.get(`/api/jobs/${encodeURIComponent("' or 1=1 -- ")}`)).status()).toBe(404)
  expect((await page.goto(`/jobs/${nobody}`))?.status()).toBe(404)
  const share = await post(`/api/jobs/${id}/offers`, { optionId: 'option-zz' })
  expect(share.status()).toBe(400)
  expect(await share.json()).toMatchObject({ error: { code: 'no-such-option', path: 'optionId' } })
  const list = await post(`/api/jobs/${id}/changes`, { edits: 'all' })
  expect(list.status()).toBe(400)
  expect(await list.json()).toMatchObject({
    error: { path: 'edits', message: 'edits: a list is needed here' },
  })
  const large = await post('/api/jobs/import', { name: 'x'.repeat(50_000_000) })
  expect(large.status()).toBe(413)
  for (const path of ['/world/tiles/20/-1/0.png', '/world/tiles/99/1/1.png', '/world/tiles/a/b/c.png'])
    expect((await page.request.get(path)).status()).toBeGreaterThanOrEqual(400)
  const answers = await page.request.get(
    `/world/addresses?q=${encodeURIComponent('%_\\' + 'x'.repeat(3000))}`,
  )
  expect(answers.status()).toBeLessThan(500)
})

test('five offers printed at once all arrive', async ({ page }) => {
  const id = await shippedJobId(page)
  const links = await Promise.all(
    Array.from({ length: 5 }, async (_, k) => {
      const answer = await page.request.post(`/api/jobs/${id}/offers`, {
        data: { optionId: k % 2 === 0 ? 'option-a' : 'option-b' },
      })
      expect(answer.status()).toBe(201)
      return ((await answer.json()) as { path: string }).path
    }),
  )
  // Longer than the server itself lets anybody wait.
  const files = await Promise.all(links.map((path) => page.request.get(`${path}/pdf`, { timeout: 120_000 })))
  for (const file of files) {
    expect(file.status()).toBe(200)
    expect((await file.body()).subarray(0, 5).toString()).toBe('%PDF-')
  }
})
