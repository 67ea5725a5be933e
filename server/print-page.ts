import { chromium, type Browser } from 'playwright-core'
import { Fault } from '@/core/model/fault'
import { log } from './log'

const flags = [
  '--no-sandbox',
  '--use-gl=angle',
  '--use-angle=gl-egl',
  '--ignore-gpu-blocklist',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
]

/** Pages printed at the same time; each has a browser of its own. */
const mostAtOnce = 2
let printing = 0

/**
 * Prints one of our own pages to A4 PDF with Debian's Chromium. The page says by `data-print="ready"` that everything
 * on it is drawn.
 * @param path on this server, never a whole address
 * @throws Fault `pdf-busy`, `pdf-failed`.
 */
export async function printPage(path: string): Promise<Buffer> {
  const origin = process.env['APP_ORIGIN']
  if (!origin) throw new Fault('pdf-failed', { reason: 'address' })
  if (printing >= mostAtOnce) throw new Fault('pdf-busy')
  printing++
  let browser: Browser | null = null
  try {
    browser = await chromium.launch({
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: flags,
    })
    const page = await browser.newPage({ viewport: { width: 794, height: 1123 }, colorScheme: 'light' })
    await page.goto(`${origin}${path}`, { timeout: 20_000 })
    await page.waitForSelector('[data-print="ready"]', { timeout: 20_000 })
    await page.evaluate(() => document.fonts.ready.then(() => undefined))
    return await page.pdf({
      format: 'A4',
      printBackground: true,
      margin: { top: '14mm', bottom: '14mm', left: '14mm', right: '14mm' },
    })
  } catch (error) {
    log.error({ error: error instanceof Error ? error.message : 'unknown' }, 'pdf')
    throw new Fault('pdf-failed', { reason: 'printing' })
  } finally {
    printing--
    await browser
      ?.close()
      .catch((error: unknown) => log.warn({ error: String(error) }, 'browser did not close'))
  }
}
