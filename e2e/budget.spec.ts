import { gzipSync } from 'node:zlib'
import { expect, test } from '@playwright/test'
import { openShippedJob } from './bench'

/** Scripts that a job's first opening may load, worker and all; gzipped bytes. */
const mostScriptBytes = 500_000

test('the scripts of a first load keep to their budget', async ({ page }) => {
  const sizes = new Map<string, Promise<number>>()
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script')
      sizes.set(
        response.url(),
        response.body().then((body) => gzipSync(body).length),
      )
  })
  await openShippedJob(page)
  const all = await Promise.all(sizes.values())
  const bytes = all.reduce((sum, size) => sum + size, 0)
  console.log(`Scripts at first load: ${(bytes / 1000).toFixed(2)} kB gzipped in ${all.length} files`)
  // Those of a worker count as well: it does the whole computation.
  expect(all.length).toBeGreaterThan(5)
  expect(bytes).toBeLessThan(mostScriptBytes)
})
