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
  await page.getByRole('link', { name: 'Nakamura-Boyle', exact: true }).click()
  await page.locator('section[aria-label="Ledger"][data-fresh="true"]').waitFor({ timeout: 60000 })
  await page.getByRole('button', { name: /^Gum tree/ }).click()
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/s-tree.png' })
  await page.getByRole('button', { name: /^Pergola/ }).click()
  await page.waitForTimeout(1500)
  const names = page.getByRole('button', { name: 'GeoJSON' })
  await names.scrollIntoViewIfNeeded()
  const [download] = await Promise.all([page.waitForEvent('download'), names.click()])
  console.log(download.suggestedFilename())
  await page.screenshot({ path: '/tmp/s-pergola.png' })
  await page.keyboard.press('Escape')
  await page.keyboard.press('v')
  await page.waitForTimeout(800)
  await page.keyboard.press('h')
  const box = await page.getByLabel(/^Stage: the house/).boundingBox()
  const click = async (x, y) => {
    await page.mouse.move(box.x + x, box.y + y, { steps: 3 })
    await page.mouse.click(box.x + x, box.y + y)
  }
  await click(150, 300)
  await click(300, 560)
  await click(560, 560)
  await page.waitForTimeout(300)
  await page.screenshot({ path: '/tmp/s-fence0.png' })
  await page.keyboard.press('Enter')
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/s-fence.png' })
} finally {
  await browser.close()
  await server.stop()
}
