import { gzipSync } from 'node:zlib'
import { buildIfChanged } from './parts/build.mjs'
import { runShown } from './parts/commands.mjs'
import { installDebianPackages, installNodePackages } from './parts/install.mjs'
import { startTestServer } from './parts/test-server.mjs'

installDebianPackages()
installNodePackages()
await buildIfChanged()
if (!process.argv.includes('--browser')) {
  console.log('── A year of one plane')
  runShown('node', ['--import', 'tsx', 'scripts/bench-chain.ts'])
}
if (!process.argv.includes('--browser')) {
  console.log('\n── Edits of the shipped job, in Node')
  runShown('node', ['--import', 'tsx', 'scripts/bench-edits.ts'])
  console.log('\n── Roofs and the aerial picture, in Node')
  runShown('node', ['--import', 'tsx', 'scripts/bench-shapes.ts'])
  console.log('\n── Houses read from heights, in Node')
  runShown('node', ['--import', 'tsx', 'scripts/bench-fit.ts'])
  runShown('node', ['--import', 'tsx', 'scripts/bench-fit-yield.ts'])
  console.log('\n── Modules laid, in Node')
  runShown('node', ['--import', 'tsx', 'scripts/bench-layout.ts'])
  console.log('\n── Strings, batteries, bills, parts and diagram, in Node')
  runShown('node', ['--import', 'tsx', 'scripts/bench-money.ts'])
  console.log('\n── Grips dragged, in Node')
  runShown('node', ['--import', 'tsx', 'scripts/bench-drag.ts'])
  console.log('\n── Shade, next to a plain ray tracer')
  runShown('node', ['--import', 'tsx', 'scripts/bench-shade.ts'])
  console.log('\n── One module removed from large jobs, in Node')
  runShown('node', ['--import', 'tsx', 'scripts/bench-large.ts'])
}

console.log('\n── In the browser, production build, shipped job')
const { chromium } = await import('playwright-core')
const server = await startTestServer('bench')
const rounds = Number(process.env.ROUNDS ?? 20)
const flags = [
  '--no-sandbox',
  '--use-gl=angle',
  '--use-angle=gl-egl',
  '--ignore-gpu-blocklist',
  '--disable-background-networking',
  '--no-first-run',
]
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: flags })

/** How long the page's own thread has run scripts so far, ms. */
async function scriptMs(cdp) {
  const { metrics } = await cdp.send('Performance.getMetrics')
  return 1000 * (metrics.find(({ name }) => name === 'ScriptDuration')?.value ?? 0)
}

/**
 * Has the page listen for the event that ends the edit, then does the edit. Gives the time to the new figures, and how
 * long of it the page's own thread ran scripts: whatever the hand does meanwhile waits for them.
 */
async function timeOf({ page, cdp }, type, edit) {
  await page.evaluate((name) => {
    window.measured = window.measure(name)
  }, type)
  const before = await scriptMs(cdp)
  await edit()
  const whole = await page.evaluate(() =>
    Promise.race([
      window.measured,
      new Promise((_, fail) => setTimeout(fail, 15_000, new Error('no new figures came'))),
    ]),
  )
  return { whole, script: (await scriptMs(cdp)) - before }
}

const percentile = (values, share) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.ceil(values.length * share) - 1)]
const say = (name, values) =>
  console.log(
    `${name}: median ${percentile(values, 0.5).toFixed(0)} ms, 95th percentile ${percentile(values, 0.95).toFixed(0)} ms (${values.length} times)`,
  )
const sayEdit = (name, times) => {
  say(
    `${name}, to the new payback`,
    times.map(({ whole }) => whole),
  )
  say(
    '  of it scripts of the page',
    times.map(({ script }) => script),
  )
}

try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Performance.enable')
  const at = { page, cdp }
  await page.goto(server.address)
  const scripts = new Map()
  page.on('response', async (response) => {
    if (response.request().resourceType() === 'script')
      scripts.set(response.url(), gzipSync(await response.body().catch(() => Buffer.alloc(0))).length)
  })
  const job = await page.getByRole('link', { name: 'Okafor-Lindqvist', exact: true }).getAttribute('href')
  const ledger = page.locator('section[aria-label="Ledger"][data-fresh="true"]')
  // The server's own head start (weather, tiles) is over after some seconds.
  await page.waitForTimeout(12_000)
  const opened = []
  for (let k = 0; k < 6; k++) {
    const start = performance.now()
    await page.goto(`${server.address}${job}`)
    await ledger.waitFor()
    opened.push(performance.now() - start)
    if (k === 0) {
      const kilobytes = [...scripts.values()].reduce((sum, size) => sum + size, 0) / 1000
      console.log(`Scripts at first load, worker and all: ${kilobytes.toFixed(0)} kB gzipped`)
    }
  }
  say('Bench opened, numbers there', opened.slice(1))

  // From the event that ends the edit to the frame after the ledger's figures belong to the new design.
  await page.evaluate(() => {
    const section = document.querySelector('section[aria-label="Ledger"]')
    window.measure = (type) =>
      new Promise((done) => {
        window.addEventListener(
          type,
          (event) => {
            const watch = new MutationObserver(() => {
              if (section.dataset.fresh !== 'true') return
              watch.disconnect()
              requestAnimationFrame(() => done(performance.now() - event.timeStamp))
            })
            watch.observe(section, { attributes: true, attributeFilter: ['data-fresh'] })
          },
          { once: true, capture: true },
        )
      })
  })
  const outline = page.getByRole('navigation', { name: 'Outline' })
  const rest = () => page.waitForTimeout(500)

  await outline.getByRole('button', { name: /^Cover/ }).click()
  const canvas = await page.getByLabel(/^Stage: the house/).boundingBox()
  const module = page.getByRole('complementary', { name: /^Module/ })
  // Another module each time: one that was deleted before would be at hand.
  const findModule = async (k) => {
    for (let y = 0.35 + (k % 5) * 0.04; y < 0.7; y += 0.03)
      for (let x = 0.4 + (k % 4) * 0.05; x < 0.75; x += 0.04) {
        await page.mouse.click(canvas.x + canvas.width * x, canvas.y + canvas.height * y)
        // The card stands a frame or two later.
        await page.waitForTimeout(120)
        if (await module.isVisible()) return
      }
    throw new Error('no module was found under the pointer')
  }
  const deletions = []
  for (let k = 0; k < rounds; k++) {
    await findModule(k)
    deletions.push(await timeOf(at, 'keydown', () => page.keyboard.press('Delete')))
    await rest()
    await page.keyboard.press('Control+z')
    await ledger.waitFor()
    await rest()
  }
  sayEdit('A module deleted', deletions)

  await outline.getByRole('button', { name: /^Shape/ }).click()
  await page.keyboard.press('f')
  await page.getByRole('button', { name: /^House/ }).click()
  const drags = []
  for (let k = 0; k < rounds; k++) {
    // The pitch grip is the last one drawn.
    const grip = await page.locator('svg path.fill-verdigris').last().boundingBox()
    const [x, y] = [grip.x + grip.width / 2, grip.y + grip.height / 2]
    await page.mouse.move(x, y)
    await page.mouse.down()
    for (let step = 1; step <= 8; step++) await page.mouse.move(x, y + (k % 2 ? 2 : -2) * step)
    const last = y + (k % 2 ? 2 : -2) * 9
    drags.push(await timeOf(at, 'pointermove', () => page.mouse.move(x, last)))
    await page.mouse.up()
    await rest()
  }
  sayEdit('The ridge dragged', drags)

  await outline.getByRole('button', { name: /^Offer/ }).click()
  const price = page.getByLabel('Price per watt')
  const prices = []
  for (let k = 0; k < rounds; k++) {
    await price.fill((2.5 + k / 50).toFixed(2))
    prices.push(await timeOf(at, 'keydown', () => page.keyboard.press('Enter')))
    await rest()
  }
  sayEdit('A price changed', prices)
} catch (error) {
  console.error(error)
  process.exitCode = 1
} finally {
  await browser.close()
  await server.stop()
}
