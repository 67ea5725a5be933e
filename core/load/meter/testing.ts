/** Meter files as they come, made up. */

const pad = (value: number): string => String(value).padStart(2, '0')

export interface MeterTable {
  readonly separator?: string
  readonly decimal?: string
  readonly headings?: readonly string[]
  /** Of a moment by the clock of the file. */
  readonly time?: (at: Date) => string
  readonly row?: (time: string, value: string, i: number) => readonly string[]
  readonly days?: number
  readonly step?: number
  readonly from?: number
  readonly value?: (i: number, at: Date) => number | string
  readonly above?: readonly string[]
}

export const isoTime = (at: Date): string => at.toISOString().slice(0, 16).replace('T', ' ')
export const dayFirst = (at: Date): string =>
  `${pad(at.getUTCDate())}/${pad(at.getUTCMonth() + 1)}/${at.getUTCFullYear()} ${pad(at.getUTCHours())}:${pad(at.getUTCMinutes())}`
export const monthFirst = (at: Date): string => {
  const hour = at.getUTCHours()
  return `${at.getUTCMonth() + 1}/${at.getUTCDate()}/${at.getUTCFullYear()} ${hour % 12 === 0 ? 12 : hour % 12}:${pad(at.getUTCMinutes())} ${hour < 12 ? 'AM' : 'PM'}`
}

/** A half in each hour, two in the hour from six in the evening on. */
export const usual = (at: Date, step = 60): number => ((at.getUTCHours() === 18 ? 2 : 0.5) * step) / 60

/** A table of two weeks of hours unless told otherwise. */
export function meterTable(options: MeterTable = {}): string {
  const { separator = ',', decimal = '.', days = 14, step = 60, above = [] } = options
  const from = options.from ?? Date.UTC(2023, 0, 9)
  const time = options.time ?? isoTime
  const value = options.value ?? ((_, at) => usual(at, step))
  const row = options.row ?? ((when, kwh) => [when, kwh])
  const lines = [...above, (options.headings ?? ['Time', 'Consumption (kWh)']).join(separator)]
  for (let i = 0; i < (days * 1440) / step; i++) {
    const at = new Date(from + i * step * 60_000)
    lines.push(row(time(at), String(value(i, at)).replace('.', decimal), i).join(separator))
  }
  return `${lines.join('\n')}\n`
}

export interface Atom {
  readonly direction?: number
  readonly unit?: number
  readonly powerOfTen?: number
  readonly values: readonly { start: number; duration?: number; value: number | string; quality?: number }[]
  readonly meter?: number
}

/** An Atom feed by NAESB REQ.21. */
export function atomFeed(blocks: readonly Atom[], more = ''): string {
  const entry = (self: string, links: string, content: string) =>
    `<entry><link rel="self" href="${self}"/>${links}<content>${content}</content></entry>`
  const of = (meter: number) => `/User/1/UsagePoint/${meter}/MeterReading/1`
  return `<?xml version="1.0" encoding="UTF-8"?>
<feed xmlns="http://www.w3.org/2005/Atom" xmlns:espi="http://naesb.org/espi">
${more}${blocks
    .map((block, b) => {
      const meter = block.meter ?? b + 1
      const type = `/ReadingType/${b + 1}`
      return [
        entry(of(meter), `<link rel="related" href="${type}"/>`, '<espi:MeterReading/>'),
        entry(
          type,
          '',
          `<espi:ReadingType><espi:flowDirection>${block.direction ?? 1}</espi:flowDirection><espi:powerOfTenMultiplier>${block.powerOfTen ?? 0}</espi:powerOfTenMultiplier><espi:uom>${block.unit ?? 72}</espi:uom></espi:ReadingType>`,
        ),
        entry(
          `${of(meter)}/IntervalBlock/1`,
          `<link rel="up" href="${of(meter)}/IntervalBlock"/>`,
          `<espi:IntervalBlock><espi:interval><espi:duration>86400</espi:duration><espi:start>0</espi:start></espi:interval>${block.values
            .map(
              ({ start, duration = 3600, value, quality }) =>
                `<espi:IntervalReading>${quality === undefined ? '' : `<espi:ReadingQuality><espi:quality>${quality}</espi:quality></espi:ReadingQuality>`}<espi:timePeriod><espi:duration>${duration}</espi:duration><espi:start>${start}</espi:start></espi:timePeriod><espi:value>${value}</espi:value></espi:IntervalReading>`,
            )
            .join('')}</espi:IntervalBlock>`,
        ),
      ].join('\n')
    })
    .join('\n')}
</feed>`
}
