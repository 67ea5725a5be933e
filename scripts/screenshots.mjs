// Writes the pictures of docs/screenshots anew from the shipped job: `npm run screenshots`, or `npm run screenshots -- cover year`.
import { chromium } from 'playwright-core'
import { buildIfChanged } from './parts/build.mjs'
import { inRoot } from './parts/folders.mjs'
import { startTestServer } from './parts/test-server.mjs'

const wanted = process.argv.slice(2)
await buildIfChanged()
const server = await startTestServer('screenshots')
/** Servers besides that one view or another has started. */
const others = []
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

let underWay = 0
// The line on which others' edits come stays open.
const counts = (request) => request.resourceType() !== 'eventsource'
page.on('request', (request) => (underWay += counts(request) ? 1 : 0))
for (const end of ['requestfinished', 'requestfailed'])
  page.on(end, (request) => (underWay -= counts(request) ? 1 : 0))
/** Nothing has been asked for in a second: the sheets of the aerial picture are there. */
async function quiet() {
  for (let still = 0; still < 10; still = underWay > 0 ? 0 : still + 1) await page.waitForTimeout(100)
}

const fresh = () => page.locator('section[aria-label="Ledger"][data-fresh="true"]').waitFor()
const openShipped = async (name = 'Okafor-Lindqvist') => {
  await page.goto('/')
  await page.getByRole('link', { name, exact: true }).click()
  await fresh()
}
const outline = page.getByRole('navigation', { name: 'Outline' })
const chapter = async (name) => {
  await openShipped()
  await outline.getByRole('button', { name: new RegExp(`^${name}\\b`) }).click()
}
const clickOnStage = async (corners) => {
  const box = await page.getByLabel(/^Stage: the house/).boundingBox()
  const perMetre = box.height / (2 * 24 * 1.15)
  for (const [x, y] of corners) {
    const at = [box.x + box.width / 2 + x * perMetre, box.y + box.height / 2 - y * perMetre]
    await page.mouse.move(...at, { steps: 3 })
    await page.mouse.click(...at)
  }
}
/** An eight-sided tower with a pointed roof, m. */
function waterTower() {
  const ring = (z, radius) =>
    Array.from({ length: 8 }, (_, k) => {
      const turn = (k * Math.PI) / 4
      return `v ${(radius * Math.cos(turn)).toFixed(3)} ${(radius * Math.sin(turn)).toFixed(3)} ${z}`
    })
  const around = (a, b) =>
    Array.from({ length: 8 }, (_, k) => `f ${a + k} ${a + ((k + 1) % 8)} ${b + ((k + 1) % 8)} ${b + k}`)
  const roof = Array.from({ length: 8 }, (_, k) => `f ${25 + k} ${25 + ((k + 1) % 8)} 33`)
  return [
    ...[...ring(0, 1), ...ring(6, 1), ...ring(7, 2), ...ring(10, 2)],
    'v 0 0 11.5',
    ...[...around(1, 9), ...around(9, 17), ...around(17, 25), ...roof],
  ].join('\n')
}
/** A server where people sign in, with an owner and some who have joined; the owner stays signed in on the page. */
async function openTeam() {
  const signedInto = await startTestServer('screenshots-team', 'accounts')
  const join = async (address, body) =>
    fetch(`${address}/join`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ password: 'lamp kettle moss seven', ...body }),
    })
  await page.goto(signedInto.ownerLink())
  await page.getByLabel('Name').fill('Imke Fairweather')
  await page.getByLabel('Mail address').fill('imke@ternstreet.example')
  await page.getByLabel('New password').fill('lamp kettle moss seven')
  await page.getByRole('button', { name: 'Join' }).click()
  await page.getByRole('link', { name: 'Team' }).click()
  const invite = async (mail, role) => {
    await page.getByLabel('Mail address').fill(mail)
    await page.getByLabel('Role', { exact: true }).selectOption(role)
    await page.getByRole('button', { name: 'Invite' }).click()
    const link = page.getByRole('status').filter({ hasText: mail })
    return (await link.getByText('/invitation/').textContent()).trim()
  }
  await join(await invite('bo@ternstreet.example', 'designer'), { name: 'Bo Winter' })
  await join(await invite('sam@holtroofing.example', 'installer'), { name: 'Sam Holt' })
  await invite('cy@ternstreet.example', 'reader')
  await page.goto(`${signedInto.address}/team`)
  return signedInto
}

/** Each main view, and the way to it. */
const views = {
  jobs: async () => {
    await page.goto('/')
    // Figures of all jobs are there.
    await page.getByText('computing …').first().waitFor({ state: 'hidden', timeout: 60_000 })
  },
  cover: async () => {
    await chapter('Cover')
    await outline.getByRole('button', { name: /^South/ }).click()
  },
  rows: async () => {
    await openShipped('Abarca Quintanilla')
    await outline.getByRole('button', { name: /^Cover/ }).click()
    await outline.getByRole('button', { name: /^Level/ }).click()
  },
  structure: async () => {
    await chapter('Cover')
    await outline.getByRole('button', { name: 'Rails', exact: true }).click()
    await outline.getByRole('button', { name: 'Structure and mounting' }).click()
  },
  shade: async () => {
    await openShipped()
    await page.keyboard.press('w')
    await page.getByText(/^All 17 modules/).waitFor()
  },
  permit: async () => {
    await openShipped()
    await page.getByText('With battery', { exact: true }).first().click()
    await fresh()
    await chapter('Site')
    await page.getByRole('button', { name: 'From survey' }).click()
    await page.getByRole('complementary', { name: /^Lot/ }).waitFor()
    await fresh()
    await chapter('Offer')
    await page.getByRole('button', { name: 'Permit set' }).click()
    const sheet = page.getByRole('dialog', { name: 'Permit set' })
    await sheet.getByText(/^\d+ sheets$/).waitFor()
    await sheet.getByLabel('Sheet shown').selectOption({ label: '3 / 8  Site plan' })
    await quiet()
  },
  match: () => chapter('Match'),
  tariff: async () => {
    await chapter('Match')
    await page.getByRole('button', { name: 'Prices and charges: Tariff with solar' }).click()
    await page.getByRole('dialog').getByRole('grid').first().waitFor()
    await quiet()
  },
  store: async () => {
    await openShipped()
    await page.getByRole('tab', { name: /With battery/ }).click()
    await outline.getByRole('button', { name: /^Store\b/ }).click()
    await page.getByText('highest NPV').waitFor()
    await quiet()
  },
  offer: () => chapter('Offer'),
  year: async () => {
    await openShipped()
    await page.getByRole('button', { name: 'by month', exact: true }).click()
  },
  estimate: async () => {
    await chapter('Site')
    await page.getByRole('button', { name: 'Estimate' }).click()
    await page.getByText(/^Best plane/).waitFor()
  },
  modules: async () => {
    await chapter('Cover')
    await outline.getByRole('button', { name: 'Browse and compare modules' }).click()
    for (const name of ['Corvane 466 BC Long', 'Lumenfold 455 N', 'Tindervale 438 Dusk'])
      await page.getByRole('checkbox', { name: `Compare ${name}` }).check()
    await page.getByRole('button', { name: 'Compare 3' }).click()
    await quiet()
  },
  drawing: async () => {
    await page.goto('/')
    await page.getByLabel('New job: where is the house?').fill('23 tern street')
    await page.getByRole('option', { name: '23 Tern Street, Pellworth' }).click()
    await fresh()
    await page.keyboard.press('o')
    const corners = [
      [-7, -4],
      [6, -4],
      [6, 2],
      [1, 2],
      [1, 7],
    ]
    await clickOnStage(corners)
    await clickOnStage([
      [-7, 7],
      [-7, -4],
    ])
    await page.getByRole('complementary', { name: 'House, building' }).waitFor()
    await page.keyboard.press('p')
    await clickOnStage([[3, 0]])
    await page.getByRole('complementary', { name: 'Vent pipe, vent pipe' }).waitFor()
    await page.keyboard.press('d')
    await clickOnStage([[-1.5, -3]])
    await page.getByRole('complementary', { name: 'Dormer, gable dormer' }).waitFor()
    await page.keyboard.press('v')
    await page.keyboard.press('f')
  },
  // What follows is of a job that was changed for the picture.
  wire: async () => {
    await chapter('Wire')
    await page.getByRole('button', { name: 'Place devices' }).click()
    for (const device of ['inverter', 'load centre']) {
      await page.getByText(new RegExp(`Click a wall for the ${device}`)).waitFor()
      await page.keyboard.press('Enter')
    }
    await page.locator('[data-line="ac-cables"]').waitFor()
    await page.keyboard.press('Escape')
    await page.locator('[data-line="wiring"]').click()
    await fresh()
  },
  shape: async () => {
    await openShipped()
    await page.getByRole('button', { name: 'House building' }).click()
    for (const [side, length] of [
      ['Eave overhang', '18 in'],
      ['Gable overhang', '1 ft'],
    ]) {
      await page.getByLabel(side).fill(length)
      await page.getByLabel(side).press('Enter')
    }
    await page.keyboard.press('Escape')
    await page.getByLabel('Add 3D model from file').setInputFiles({
      name: 'Water tower.obj',
      mimeType: 'text/plain',
      buffer: Buffer.from(waterTower()),
    })
    await page.getByRole('button', { name: /^metres/ }).click()
    await page.getByRole('complementary', { name: 'Water tower, 3D model' }).waitFor()
    for (let step = 0; step < 50; step++) await page.keyboard.press('Shift+ArrowRight')
    for (let step = 0; step < 60; step++) await page.keyboard.press('Shift+ArrowUp')
    await fresh()
  },
  history: async () => {
    await chapter('Shape')
    await page.getByRole('button', { name: 'Chimney obstruction' }).click()
    await page.getByRole('region', { name: 'Comments' }).getByRole('button', { name: 'Comment' }).click()
    await page.keyboard.type('Will it be taken down with the old stove?')
    await page.getByRole('button', { name: 'Say it' }).click()
    await page.getByRole('button', { name: /^Oak, west fence/ }).click()
    await page.keyboard.press('Delete')
    await page.getByRole('button', { name: /^House building/ }).click()
    await page.getByLabel('Eave height').first().fill('11 ft')
    await page.getByLabel('Eave height').first().press('Enter')
    await fresh()
    await page.locator('[data-save="saved"]').waitFor()
    await page.getByRole('button', { name: 'History', exact: true }).click()
    await page.getByRole('button', { name: /Oak, west fence deleted/ }).waitFor()
    await page.getByRole('slider', { name: 'Moment' }).press('ArrowLeft')
    await page.getByLabel('Name this moment').fill('If the oak went')
    await page.getByRole('button', { name: 'Keep name' }).click()
    await page.getByRole('button', { name: 'If the oak went', exact: true }).waitFor()
    await fresh()
  },
  team: async () => {
    others.push(await openTeam())
  },
  proposal: async () => {
    await chapter('Offer')
    await page.getByRole('button', { name: 'Share offer' }).click()
    await page.goto(await page.getByLabel('Link to the proposal').inputValue())
    await page.locator('.apexcharts-svg').nth(2).waitFor()
  },
}

try {
  for (const [name, open] of Object.entries(views)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue
    await open()
    await quiet()
    await page.screenshot({ path: inRoot(`docs/screenshots/${name}.png`) })
    console.log(`docs/screenshots/${name}.png`)
  }
} finally {
  await browser.close()
  for (const one of [server, ...others]) await one.stop()
}
