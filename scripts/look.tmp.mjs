import { chromium } from 'playwright-core'
import { buildIfChanged } from './parts/build.mjs'
import { startTestServer } from './parts/test-server.mjs'
await buildIfChanged()
const server = await startTestServer('look')
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--use-gl=angle','--use-angle=gl-egl','--ignore-gpu-blocklist'] })
const scheme = process.env.SCHEME ?? 'light'
const page = await browser.newPage({ baseURL: server.address, viewport: { width: +(process.env.W ?? 1280), height: +(process.env.H ?? 800) }, colorScheme: scheme, reducedMotion: 'reduce' })
page.on('console', (m) => { if (m.type() === 'error' || m.type() === 'warning') console.log('PAGE', m.text().slice(0, 600)) })
page.on('pageerror', (e) => console.log('ERR', e.message))
let underWay = 0
const counts = (r) => r.resourceType() !== 'eventsource'
page.on('request', (r) => (underWay += counts(r) ? 1 : 0))
for (const end of ['requestfinished', 'requestfailed']) page.on(end, (r) => (underWay -= counts(r) ? 1 : 0))
const quiet = async () => { for (let still = 0; still < 10; still = underWay > 0 ? 0 : still + 1) await page.waitForTimeout(100) }
const fresh = () => page.locator('section[aria-label="Ledger"][data-fresh="true"]').waitFor()
const outline = page.getByRole('navigation', { name: 'Outline' })
const open = async () => { await page.goto('/'); await page.getByRole('link', { name: 'Okafor-Lindqvist', exact: true }).click(); await fresh(); await quiet() }
const chapter = (n) => outline.getByRole('button', { name: new RegExp(`^${n}\\b`) }).click()
const shot = async (n) => { await quiet(); await page.waitForTimeout(900); await page.screenshot({ path: `/tmp/shots/${n}.png` }) }
try {
  const steps = await import(process.argv[2])
  await steps.default({ page, open, chapter, shot, quiet, fresh, outline, server })
} catch (e) { console.log(e); await page.screenshot({ path: '/tmp/shots/fail.png' }) } finally { await browser.close(); await server.stop() }
