import { SaxesParser } from 'saxes'
import { Fault } from '../../model/fault'
import { ProblemList } from '../../weather/reading'
import { type RawReadings, type Reading } from './reading'

/** Readings of several meters over years. */
const mostReadings = 400_000
const deepest = 60

/** A reading type of the standard: what its values are of. */
interface ReadingType {
  readonly unit: number
  readonly powerOfTen: number
  /** 1: to the customer; 19: from the customer. */
  readonly direction: number
}

interface Block {
  /** The meter reading that it is part of, by its address. */
  readonly of: string
  readonly readings: { start: number; minutes: number; value: number; quality: number; line: number }[]
}

const wattHours = 72
const watts = 38
const reverse = 19
/** Qualities that are no measured value: estimated, forecast, missing and the like. */
const estimated = new Set([7, 8, 9, 10, 11, 12])

/**
 * Interval readings in Atom by NAESB REQ.21 (ESPI): energy that went to the customer, all meters together.
 * @throws Fault `meter-file`
 */
export function greenButtonReadings(text: string): RawReadings {
  const feed = readFeed(text)
  const found = new ProblemList()
  const byTime = new Map<number, Reading>()
  const steps = new Map<number, number>()
  const used = new Set<string>()
  for (const block of feed.blocks) {
    const type = feed.typeOf(block.of)
    if (type.direction === reverse) {
      found.add('reverse-left', 0, () => ({}), 'note')
      continue
    }
    if (type.unit !== wattHours && type.unit !== watts) {
      found.add('other-unit', 0, (count) => ({ count, unit: type.unit }), 'note')
      continue
    }
    used.add(block.of)
    for (const { start, minutes, value, quality, line } of block.readings) {
      if (estimated.has(quality)) found.add('estimated', line, (count) => ({ count }), 'note')
      const scaled = value * 10 ** type.powerOfTen
      const kwh = (type.unit === watts ? (scaled * minutes) / 60 : scaled) / 1000
      const at = start + feed.zoneMinutes
      const known = byTime.get(at)
      byTime.set(at, { start: at, kwh: (known?.kwh ?? 0) + kwh, line })
      steps.set(minutes, (steps.get(minutes) ?? 0) + 1)
    }
  }
  if (used.size > 1) found.add('several-meters', 0, () => ({ count: used.size }), 'note')
  const [step] = [...steps].sort((a, b) => b[1] - a[1])
  if (!step) throw new Fault('meter-file', { reason: 'nothing' })
  const readings = [...byTime.values()].sort((a, b) => a.start - b.start)
  return { readings, stepMinutes: step[0], wallClock: false, problems: found.list }
}

interface Feed {
  readonly blocks: readonly Block[]
  readonly zoneMinutes: number
  readonly typeOf: (address: string) => ReadingType
}

const usualType: ReadingType = { unit: wattHours, powerOfTen: 0, direction: 1 }

/** Walks the feed once, entry after entry. */
function readFeed(text: string): Feed {
  if (/<!doctype/i.test(text.slice(0, 10_000))) throw new Fault('meter-file', { reason: 'doctype' })
  const parser = new SaxesParser({ xmlns: true })
  const blocks: Block[] = []
  const types = new Map<string, ReadingType>()
  const typeOfMeter = new Map<string, string>()
  let zoneMinutes = 0
  let [depth, count] = [0, 0]
  let links: { rel: string; href: string }[] = []
  let fields: Record<string, string> = {}
  let content = ''
  let block: Block['readings'] = []
  let words = ''
  const path: string[] = []
  parser.on('error', (error) => {
    throw new Fault('meter-file', { reason: 'xml', line: parser.line, detail: error.message.slice(0, 200) })
  })
  parser.on('opentag', ({ local, attributes }) => {
    if (++depth > deepest) throw new Fault('meter-file', { reason: 'deep', limit: deepest })
    path.push(local)
    words = ''
    if (local === 'entry') [links, fields, content, block] = [[], {}, '', []]
    if (local === 'link')
      links.push({ rel: attributes['rel']?.value ?? '', href: attributes['href']?.value ?? '' })
    if (path.at(-2) === 'content') content = local
    if (local === 'IntervalReading') fields = {}
  })
  parser.on('text', (more) => (words += more))
  parser.on('closetag', ({ local }) => {
    depth--
    path.pop()
    const value = words.trim()
    words = ''
    if (value !== '') fields[local] = value
    if (local === 'IntervalReading') {
      if (++count > mostReadings) throw new Fault('meter-file', { reason: 'many', limit: mostReadings })
      block.push({
        start: number('start') / 60,
        minutes: number('duration') / 60,
        value: number('value'),
        quality: fields['quality'] === undefined ? 0 : Number(fields['quality']),
        line: parser.line,
      })
    }
    if (local === 'entry') endEntry()
  })
  const number = (name: string): number => {
    const value = Number(fields[name])
    if (fields[name] === undefined || !Number.isFinite(value))
      throw new Fault(
        'meter-file',
        { reason: 'field', field: name, line: parser.line },
        `line ${parser.line}`,
      )
    return value
  }
  const self = () => links.find(({ rel }) => rel === 'self')?.href ?? ''
  const endEntry = () => {
    if (content === 'ReadingType')
      types.set(self(), {
        unit: Number(fields['uom'] ?? wattHours),
        powerOfTen: Number(fields['powerOfTenMultiplier'] ?? 0),
        direction: Number(fields['flowDirection'] ?? 1),
      })
    else if (content === 'MeterReading') {
      const type = links.find(({ href }) => /\/ReadingType\//.test(href))
      if (type) typeOfMeter.set(self(), type.href)
    } else if (content === 'LocalTimeParameters') zoneMinutes = Number(fields['tzOffset'] ?? 0) / 60
    else if (content === 'IntervalBlock') {
      const up = links.find(({ rel }) => rel === 'up')?.href ?? self()
      blocks.push({ of: up.replace(/\/IntervalBlock(\/.*)?$/, ''), readings: block })
    }
  }
  parser.write(text).close()
  const only = types.size === 1 ? [...types.values()][0] : undefined
  return {
    blocks,
    zoneMinutes: Number.isFinite(zoneMinutes) ? zoneMinutes : 0,
    typeOf: (address) => types.get(typeOfMeter.get(address) ?? '') ?? only ?? usualType,
  }
}
