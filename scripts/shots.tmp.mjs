import { chromium } from 'playwright-core'
import { buildIfChanged } from './parts/build.mjs'
import { startTestServer } from './parts/test-server.mjs'
await buildIfChanged()
const server = await startTestServer('shots')
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--use-gl=angle', '--use-angle=gl-egl', '--ignore-gpu-blocklist'] })
const page = await browser.newPage({ baseURL: server.address, viewport: { width: 1280, height: 800 }, colorScheme: 'light', reducedMotion: 'reduce' })
page.on('pageerror', (e) => console.log('pageerror', e.message))
try {
  await page.goto('/')
  await page.waitForTimeout(4000)
  await page.screenshot({ path: '/tmp/s-jobs.png' })
  for (const [name, file] of [['Okafor-Lindqvist', 'p'], ['Nakamura-Boyle', 't'], ['Abarca Quintanilla', 'v']]) {
    await page.goto('/')
    await page.getByRole('link', { name, exact: true }).click()
    await page.locator('section[aria-label="Ledger"][data-fresh="true"]').waitFor({ timeout: 60000 })
    await page.waitForTimeout(3500)
    await page.screenshot({ path: `/tmp/s-${file}.png` })
  }
} finally { await browser.close(); await server.stop() }
