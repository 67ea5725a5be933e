import { freshGraph, job, option, rack, runOf, set, withBattery, without, worldOf } from '@/town/testing'
import { plainEnglish } from '@/words/plain-english'
import { saidCheck } from '@/words/said-check'
import { explained } from '@/words/explained'
import { theOne, type Objects } from '../kinds/documents'
import { tariffThenId } from '../kinds/tariff/tariff'
import { defaultTree } from '../kinds/tree/tree'
import { type LineId, type Term } from '../model/ledger'
import { summarise, type RunSummary } from '../readers/summary'

const summaryOf = async (house: Objects, objects: Objects, graph = freshGraph()): Promise<RunSummary> => {
  const world = await worldOf(house, objects)
  return summarise(runOf(world, graph), world)
}
const lineOf = ({ ledger }: RunSummary, id: LineId) => {
  const line = ledger.find((one) => one.id === id)
  if (!line) throw new Error(`the ledger has ${id}`)
  return line
}
const valueOf = (summary: RunSummary, id: LineId) => lineOf(summary, id).value ?? NaN
/** A measured input of a line's explanation. */
function inputOf(summary: RunSummary, id: LineId, code: Term['code']): number {
  const { value } = lineOf(summary, id).explanation.inputs.find((input) => input.code === code) ?? {}
  if (typeof value === 'number') return value
  return typeof value === 'object' && 'unit' in value ? value.value : NaN
}

const base = await summaryOf(job.house, option)
const stored = await summaryOf(job.house, withBattery)

test('the chain from sun to yield has no gap: each loss once, and they add up', () => {
  const lines = base.ledger.filter(({ group }) => group === 'sun')
  const sum = lines.filter(({ id }) => id !== 'yield').reduce((s, { value }) => s + (value ?? NaN), 0)
  expect(sum).toBeCloseTo(valueOf(base, 'yield'), 6)
  for (const { id, value } of lines)
    if (id !== 'sun-on-modules' && id !== 'yield') expect(value).toBeLessThanOrEqual(0)
})

test('energy is kept between yield, house, grid and battery; bills follow', () => {
  for (const summary of [base, stored]) {
    const lost = summary === stored ? valueOf(summary, 'battery-loss') : 0
    expect(valueOf(summary, 'used') - lost + valueOf(summary, 'sold')).toBeCloseTo(
      valueOf(summary, 'yield'),
      6,
    )
    expect(valueOf(summary, 'used') + valueOf(summary, 'bought')).toBeCloseTo(11_400, 6)
    // The inverter's own use at night is a line of its own, and bought.
    const night = summary.carpet.yield.reduce((s, kwh) => s + Math.max(0, -kwh), 0)
    expect(-valueOf(summary, 'own-draw')).toBeGreaterThan(night)
    expect(-valueOf(summary, 'own-draw') * 0.99).toBeCloseTo(night, 1)
    expect(summary.monthly.billAfter.reduce((s, m) => s + m, 0)).toBeCloseTo(valueOf(summary, 'bill-then'), 4)
  }
})

test('what explanations say of light and yield makes the figures they explain', () => {
  const line = lineOf(base, 'sun-on-modules')
  const planes = line.explanation.inputs.flatMap(({ code, data, value }) =>
    code === 'plane-fixed' && typeof value === 'object' && 'unit' in value
      ? [Number(data?.['modules']) * value.value]
      : [],
  )
  const rated = inputOf(base, 'sun-on-modules', 'rated-power') / 1000
  expect(planes.reduce((sum, kwh) => sum + kwh, 0) * rated).toBeCloseTo(line.value ?? NaN, 6)
  const shade = lineOf(base, 'shade').explanation.inputs.map(({ value }) =>
    typeof value === 'object' && 'unit' in value ? value.value : NaN,
  )
  expect(shade.reduce((sum, kwh) => sum + kwh, 0)).toBeCloseTo(-valueOf(base, 'shade'), 1)
  const left = 1 - inputOf(base, 'availability', 'downtime')
  expect(valueOf(base, 'yield')).toBeCloseTo(
    (valueOf(base, 'yield') - valueOf(base, 'availability')) * left,
    6,
  )
  expect(inputOf(base, 'yield', 'specific-yield') * (base.powerW / 1000)).toBeCloseTo(
    valueOf(base, 'yield'),
    6,
  )
  expect(inputOf(base, 'yield', 'performance-ratio')).toBeCloseTo(
    valueOf(base, 'yield') / valueOf(base, 'sun-on-modules'),
    9,
  )
  // Nine years of ten: 1.2816 standard deviations under the mean.
  expect(inputOf(base, 'yield', 'nine-years-of-ten')).toBeCloseTo(
    valueOf(base, 'yield') * (1 - 1.2816 * inputOf(base, 'yield', 'year-spread')),
    0,
  )
})

test('what explanations say of money makes the figures they explain', () => {
  for (const summary of [base, stored]) {
    const input = (id: LineId, code: Term['code']) => inputOf(summary, id, code)
    expect(input('bill-now', 'energy') + input('bill-now', 'fixed')).toBeCloseTo(
      valueOf(summary, 'bill-now'),
      6,
    )
    expect(input('bill-now', 'energy')).toBeGreaterThan(2000)
    const then = ['energy', 'export-credit', 'fixed'] as const
    expect(then.reduce((sum, code) => sum + input('bill-then', code), 0)).toBeCloseTo(
      valueOf(summary, 'bill-then'),
      6,
    )
    expect(input('bill-then', 'export-credit')).toBeLessThan(-100)
    expect(input('price', 'price-work')).toBeCloseTo(summary.powerW * input('price', 'per-watt'), 6)
    expect(input('price', 'price-modules')).toBe(summary.count * 185)
    expect(input('price', 'price-inverter')).toBe(1980)
    const parts = lineOf(summary, 'price').explanation.inputs.filter(({ code }) => code.startsWith('price-'))
    expect(parts).toHaveLength(summary === stored ? 4 : 3)
    expect(parts.reduce((sum, { code }) => sum + input('price', code), 0)).toBeCloseTo(
      valueOf(summary, 'price'),
      6,
    )
    expect(input('net-price', 'incentive')).toBeCloseTo(-valueOf(summary, 'price') * 0.25, 6)
    expect(valueOf(summary, 'price') + input('net-price', 'incentive')).toBeCloseTo(
      valueOf(summary, 'net-price'),
      6,
    )
    expect(input('payback', 'saved-first-year')).toBeCloseTo(
      valueOf(summary, 'bill-now') - valueOf(summary, 'bill-then'),
      6,
    )
    expect([
      input('payback', 'years'),
      input('payback', 'escalation'),
      input('payback', 'degradation'),
    ]).toEqual([25, 0.03, 0.005])
    expect(input('npv', 'discount-rate')).toBe(0.05)
  }
  expect(inputOf(stored, 'price', 'price-batteries')).toBe(10_400)
})

test('what explanations say of use makes the figures they explain', () => {
  expect(inputOf(stored, 'used', 'consumption')).toBeCloseTo(11_400, 6)
  expect(1 - inputOf(stored, 'self-sufficiency', 'bought') / 11_400).toBeCloseTo(
    valueOf(stored, 'self-sufficiency'),
    9,
  )
  expect(inputOf(base, 'used', 'through-battery')).toBe(0)
  // Charging and discharging each lose their part of what goes through, and none is left over but what is stored.
  const through = inputOf(stored, 'used', 'through-battery')
  const each = inputOf(stored, 'battery-loss', 'efficiency-each-way')
  const own = (inputOf(stored, 'battery-loss', 'battery-standby') * 8760) / 1000
  expect(own).toBeCloseTo(0.018 * 8760, 9)
  const lost = valueOf(stored, 'battery-loss')
  expect(Math.abs((lost + own) / -(through / each ** 2 - through) - 1)).toBeLessThan(0.05)
  // What is made and bought is used, sold or lost, to the last bit.
  const [made, bought, used, sold] = (['yield', 'bought', 'consumption', 'sold'] as const).map((id) =>
    valueOf(stored, id),
  ) as [number, number, number, number]
  expect(made + bought).toBeCloseTo(used + sold - lost, 6)
})

test('a battery raises self-sufficiency and lowers the bill; no tree, no shade of it', async () => {
  expect(valueOf(stored, 'self-sufficiency')).toBeGreaterThan(valueOf(base, 'self-sufficiency') + 0.1)
  expect(valueOf(stored, 'bill-then')).toBeLessThan(valueOf(base, 'bill-then'))
  const cut = await summaryOf(without(job.house, 'tree-2'), option)
  expect(valueOf(cut, 'shade')).toBeGreaterThan(valueOf(base, 'shade'))
  expect(cut.shadeBill.map((item) => item.id)).not.toContain('tree-2')
})

test('every line says how it came about, and no figure in it is missing', () => {
  for (const summary of [base, stored])
    for (const line of summary.ledger) {
      const { formula, source, inputs } = explained(plainEnglish, line)
      expect(`${line.id} ${formula}`).toMatch(/ \S.{5,}/)
      expect(`${line.id} ${source}`).toMatch(/ \S.{5,}/)
      for (const { label, figure, unit } of inputs) {
        expect(label).not.toBe('')
        expect(`${figure} ${unit}`.trim()).not.toMatch(/^$|NaN|undefined|∞/)
      }
    }
})

test('all that a summary shows is there and belongs together', () => {
  const { carpet, monthly, cash, chain, panels, strings, powerW, count, shadeBill } = stored
  expect([count, powerW, panels.length]).toEqual([17, 7140, 17])
  const sum = (list: Iterable<number>) => [...list].reduce((s, value) => s + value, 0)
  expect(sum(carpet.yield)).toBeCloseTo(valueOf(stored, 'yield'), 1)
  expect(sum(carpet.load)).toBeCloseTo(11_400, 1)
  expect(sum(carpet.net)).toBeCloseTo(valueOf(stored, 'sold') - valueOf(stored, 'bought'), 1)
  const tariff = theOne(job.house, 'tariff', tariffThenId)
  const prices = [tariff.pricePerKwh, ...tariff.periods.map(({ pricePerKwh }) => pricePerKwh)]
  expect(Math.max(...carpet.battery)).toBeGreaterThan(9.9)
  expect([Math.min(...carpet.price), Math.max(...carpet.price)]).toEqual([
    expect.closeTo(Math.min(...prices), 6),
    expect.closeTo(Math.max(...prices), 6),
  ])
  expect(Math.max(...carpet.sun)).toBeGreaterThan(800)
  expect(Math.max(...carpet.shade)).toBeGreaterThan(0.25)
  expect(carpet.clockHour.slice(0, 25)).toEqual(
    Uint8Array.from([...Array.from({ length: 24 }, (_, h) => h), 0]),
  )
  expect(carpet.stepMinutes).toBe(60)
  expect(sum(monthly.yieldKwh)).toBeCloseTo(valueOf(stored, 'yield'), 6)
  expect(sum(monthly.loadKwh)).toBeCloseTo(11_400, 6)
  expect(sum(monthly.usedKwh)).toBeCloseTo(valueOf(stored, 'used'), 6)
  expect(sum(monthly.billBefore)).toBeCloseTo(valueOf(stored, 'bill-now'), 6)
  expect(sum(monthly.billAfter)).toBeCloseTo(valueOf(stored, 'bill-then'), 6)
  expect(monthly.yieldKwh).toHaveLength(12)
  // Year nought is the net price; the sign turns for good at the payback, after what is replaced before it.
  expect([cash.cumulative.length, cash.before.length, cash.after.length]).toEqual([26, 25, 25])
  expect(cash.cumulative[0]).toBeCloseTo(-valueOf(stored, 'net-price'), 6)
  expect(cash.before[0]).toBeCloseTo(valueOf(stored, 'bill-now'), 6)
  expect(cash.after[0]).toBeCloseTo(valueOf(stored, 'bill-then'), 6)
  expect(cash.cumulative.findLastIndex((value) => value < 0) + 1).toBe(Math.ceil(valueOf(stored, 'payback')))
  expect(chain.ac.kwh).toBeCloseTo(valueOf(stored, 'yield'), 9)
  expect(chain.sun.kwh).toBeCloseTo(valueOf(stored, 'sun-on-modules'), 6)
  expect(sum(chain.sun.monthly)).toBeCloseTo(chain.sun.kwh, 6)
  // A module's light, in the open and in shade, and the string it hangs on.
  const rated = powerW / count / 1000
  const lightKwh = sum(panels.map(({ sunKwhM2 }) => sunKwhM2)) * rated
  expect(lightKwh).toBeCloseTo(
    ['sun-on-modules', 'reflection', 'shade'].reduce((s, id) => s + valueOf(stored, id as LineId), 0),
    0,
  )
  // Without shade there would be more by just what shade takes.
  const openKwh = sum(panels.map(({ sunKwhM2, sunAccess }) => sunKwhM2 / sunAccess)) * rated
  expect(openKwh - lightKwh).toBeCloseTo(-valueOf(stored, 'shade'), 0)
  for (const panel of panels) {
    expect(panel.sunAccess).toBeGreaterThan(0.5)
    expect(panel.sunAccess).toBeLessThanOrEqual(1)
    expect(strings.find(({ id }) => id === panel.stringId)?.panelIds).toContain(panel.id)
    expect(panel.id).toBe(`${panel.arrayId}/${panel.slot}`)
    expect(panel.corners).toHaveLength(4)
  }
  expect(
    panels.some(({ worst }) => worst && worst.kwh > 1 && shadeBill.some(({ id }) => id === worst.id)),
  ).toBe(true)
  expect(strings.flatMap(({ panelIds }) => panelIds)).toHaveLength(17)
  for (const { coldV, hotV, panelIds, input } of strings) {
    // 38.3 V at -18 °C, by the sheet.
    expect(coldV).toBeCloseTo(panelIds.length * 38.3 * (1 + 0.0026 * 43), 6)
    expect(hotV).toBeLessThan(coldV)
    expect(input).toBeGreaterThanOrEqual(0)
  }
  expect(stored.window.most).toBeGreaterThan(stored.window.fewest)
  // The sheet's power coefficient over 43 K, most of it in the volts.
  expect(stored.window.coldVmpV).toBeCloseTo(32.2 * (1 + 0.0034 * 43), 0)
  expect(stored.timeZoneHours).toBe(-5)
  expect(stored.snowComputed).toBe(true)
  expect(shadeBill.map(({ kwh }) => kwh)).toEqual([...shadeBill.map(({ kwh }) => kwh)].sort((a, b) => b - a))
})

test('broken rules are found, with figure and limit', async () => {
  const titles = ({ checks }: RunSummary) => checks.map((check) => saidCheck(plainEnglish, check).title)
  const strung = await summaryOf(job.house, set(option, 'electrical', { modulesPerString: 2 }))
  expect(titles(strung)).toContain('Modules without an input')
  expect(strung.checks.some(({ code, remedy }) => code === 'string-hot' && remedy)).toBe(true)
  const far = await summaryOf(set(job.house, 'site', { stationId: 'harrow-ridge' }), option)
  expect(far.checks.find((check) => check.id === 'station-far')?.severity).toBe('note')
})

/** Stages that had something to compute after an edit of a job that was known. */
async function freshAfter(from: readonly [Objects, Objects], to: readonly [Objects, Objects]) {
  const graph = freshGraph()
  await summaryOf(...from, graph)
  const { times } = await summaryOf(...to, graph)
  return Object.fromEntries(times.flatMap(({ name, fresh }) => (fresh > 0 ? [[name, fresh] as const] : [])))
}
const shipped = [job.house, option] as const

test('an edit of the price recomputes the money alone', async () => {
  const fresh = await freshAfter(shipped, [job.house, set(option, 'offer', { pricePerWatt: 3.5 })])
  expect(Object.keys(fresh)).toEqual(['price', 'finance', 'account of money'])
})

test('names, notes and addresses recompute nothing', async () => {
  const renamed = set(
    set(set(job.house, 'tree-1', { name: 'Linden' }), 'site', { address: '1 Elm' }),
    'tariff-now',
    {
      name: 'Old',
    },
  )
  expect(await freshAfter(shipped, [renamed, set(option, 'offer', { name: 'Best' })])).toEqual({})
})

test('a small tree far away recomputes no module’s light', async () => {
  const tree = {
    ...defaultTree,
    id: 'tree-far',
    center: [250, 320],
    heightM: 4,
    crownDiameterM: 2,
    transmissivity: new Array<number>(12).fill(0.4),
  }
  const fresh = await freshAfter(shipped, [set(job.house, tree.id, tree), option])
  expect(fresh['site']).toBe(1)
  for (const name of ['shadows', 'visibility', 'shade', 'string years', 'ac', 'years'])
    expect({ name, fresh: fresh[name] ?? 0 }).toEqual({ name, fresh: 0 })
  // Nor does it move a cable.
  const [house, wired] = [
    set(job.house, 'site', { loadCentreAt: { at: [3, -3.6], heightM: 1.4 } }),
    set(option, 'electrical', { inverterAt: { at: [5, -3.3], heightM: 1.6 } }),
  ]
  const behind = await freshAfter([house, wired], [set(house, tree.id, tree), wired])
  expect([behind['cables'], behind['dc'] ?? 0, behind['ac'] ?? 0, behind['years'] ?? 0]).toEqual([1, 0, 0, 0])
  // A taller one before the south is not left out; its shadow falls on no module of the west.
  const tall = { ...tree, center: [9, -8], heightM: 6, crownDiameterM: 2 }
  const near = await freshAfter(shipped, [set(job.house, tree.id, tall), option])
  expect(near['visibility']).toBe(13)
})

test('a module removed recomputes no other module’s light', async () => {
  const removed = base.panels.filter(({ arrayId }) => arrayId === 'array-south').map(({ slot }) => slot)
  const fresh = await freshAfter(shipped, [
    job.house,
    set(option, 'array-south', { removed: removed.slice(3, 4) }),
  ])
  expect([fresh['shadows'] ?? 0, fresh['visibility'] ?? 0, fresh['shade'] ?? 0]).toEqual([0, 0, 0])
  expect(fresh['string years']).toBe(1)
})

test('what a rack under another id shades is charged to that id', async () => {
  const close = { ...rack, rowPitchM: 1.9, removed: ['0:0'] }
  const graph = freshGraph()
  const first = await summaryOf(job.house, { ...option, 'rack-1': close }, graph)
  const second = await summaryOf(job.house, { ...option, 'rack-2': { ...close, id: 'rack-2' } }, graph)
  const bill = ({ shadeBill }: RunSummary, id: string) => shadeBill.find((item) => item.id === id)?.kwh
  expect(bill(first, 'rack-1')).toBeGreaterThan(20)
  expect(bill(second, 'rack-2')).toBe(bill(first, 'rack-1'))
  expect(bill(second, 'rack-1')).toBeUndefined()
  expect(second.times.find(({ name }) => name === 'shadows')?.fresh).toBe(0)
  expect(second.panels.filter(({ worst }) => worst?.id === 'rack-2').length).toBeGreaterThan(0)
})
