import { chromium } from 'playwright-core'
import { buildIfChanged } from './parts/build.mjs'
import { startTestServer } from './parts/test-server.mjs'
await buildIfChanged()
const server = await startTestServer('shots')
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--use-gl=angle', '--use-angle=gl-egl', '--ignore-gpu-blocklist'],
})
const page = await browser.newPage({
  baseURL: server.address,
  viewport: { width: 1280, height: 800 },
  colorScheme: 'light',
  reducedMotion: 'reduce',
})
page.on('pageerror', (e) => console.log('pageerror', e.message))
try {
  await page.goto('/')
  await page.getByRole('link', { name: 'Okafor-Lindqvist', exact: true }).click()
  await page.locator('section[aria-label="Ledger"][data-fresh="true"]').waitFor({ timeout: 60000 })
  await page.getByRole('button', { name: /^House/ }).first().click()
  await page.waitForTimeout(2500)
  await page.screenshot({ path: '/tmp/s-house.png' })
  const row = page.getByLabel('Form of edge 2')
  await row.hover()
  await page.waitForTimeout(300)
  await page.keyboard.press('v')
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/s-plan.png' })
} finally {
  await browser.close()
  await server.stop()
}
