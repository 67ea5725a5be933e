import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core'
import { yieldToRequests } from '../compute/yield-to-requests'

yieldToRequests()

/**
 * A process of its own that prints pages: it may run as a lesser user than the server, keeps one browser warm, and takes
 * nothing of the server with it when it dies. It is told `{ id, url }` and `{ cancel: id }`, and answers `{ id, progress }`
 * from 0 to 1, then `{ id, pdf }`, the file in base64, or `{ id, error }`.
 */

interface Job {
  readonly id: number
  readonly url: string
}

const flags = [
  '--use-gl=angle',
  '--use-angle=gl-egl',
  '--ignore-gpu-blocklist',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
]
/** Longest that a page may take to draw itself. */
const pageMs = 20_000
/** Pages after which the browser is started anew. */
const pagesABrowser = 100
/** Sheets of paper at most: an offer has three or four. */
const mostSheets = '1-40'
/** At the foot of each sheet; the browser fills the figures in. */
const pageNumbers =
  '<div style="width:100%;text-align:center;font:8px sans-serif;color:#6B7780"><span class="pageNumber"></span> / <span class="totalPages"></span></div>'
/** Pages at once. */
const mostAtOnce = 2

let opened: Promise<Opened> | null = null
let printed = 0
const waiting: Job[] = []
const open = new Map<number, Page>()
let busy = 0

/** A browser and the one visit all pages are part of: what pages share is fetched once. */
interface Opened {
  readonly browser: Browser
  readonly context: BrowserContext
}

/** With Chromium's own sandbox where that can be had. */
async function launched(): Promise<Browser> {
  const executablePath = process.env['CHROMIUM'] ?? '/usr/bin/chromium'
  if (process.getuid?.() !== 0)
    try {
      return await chromium.launch({ executablePath, args: flags, chromiumSandbox: true })
    } catch {
      // This machine gives lesser users no name spaces: the process's own user has to do.
    }
  return chromium.launch({ executablePath, args: flags, chromiumSandbox: false })
}

async function newlyOpened(): Promise<Opened> {
  const browser = await launched()
  const context = await browser.newContext({ viewport: { width: 794, height: 1123 }, colorScheme: 'light' })
  return { browser, context }
}

async function warm(): Promise<Opened> {
  if (opened && printed >= pagesABrowser && open.size === 0) {
    printed = 0
    await (await opened).browser.close()
    opened = null
  }
  opened ??= newlyOpened()
  const running = await opened.catch((error: unknown) => {
    opened = null
    throw error
  })
  if (running.browser.isConnected()) return running
  opened = null
  return warm()
}

async function printPage({ id, url }: Job): Promise<Buffer> {
  const page = await (await warm()).context.newPage()
  const say = (progress: number) => process.send?.({ id, progress })
  try {
    open.set(id, page)
    page.setDefaultTimeout(pageMs)
    say(0.1)
    await page.goto(url)
    say(0.4)
    await page.waitForSelector('[data-print="ready"]')
    await page.evaluate(() => document.fonts.ready.then(() => undefined))
    printed++
    say(0.8)
    const paper = await page.getAttribute('[data-print="ready"]', 'data-paper')
    return await page.pdf({
      format: paper === 'Letter' ? 'Letter' : 'A4',
      displayHeaderFooter: true,
      headerTemplate: '<span></span>',
      footerTemplate: pageNumbers,
      printBackground: true,
      pageRanges: mostSheets,
      margin: { top: '14mm', bottom: '14mm', left: '14mm', right: '14mm' },
    })
  } finally {
    open.delete(id)
    await page.close()
  }
}

async function next(): Promise<void> {
  if (busy >= mostAtOnce) return
  const job = waiting.shift()
  if (!job) return
  busy++
  try {
    process.send?.({ id: job.id, pdf: (await printPage(job)).toString('base64') })
  } catch (error) {
    process.send?.({ id: job.id, error: error instanceof Error ? error.message : 'unknown' })
  } finally {
    busy--
    void next()
  }
}

process.on('message', (message: Job | { readonly cancel: number }) => {
  if ('cancel' in message) {
    const at = waiting.findIndex(({ id }) => id === message.cancel)
    if (at >= 0) waiting.splice(at, 1)
    void open.get(message.cancel)?.close()
    return
  }
  waiting.push(message)
  void next()
})
// The server is gone.
process.on('disconnect', () => process.exit(0))
void warm().then(
  () => process.send?.({ ready: true }),
  (error: unknown) => process.send?.({ ready: false, error: String(error) }),
)
