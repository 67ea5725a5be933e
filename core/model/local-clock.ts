/** The local clock of every interval of a year, daylight saving included. Arrays have one entry an interval. */
export interface LocalClock {
  readonly month: Uint8Array
  /** Day of the month, from 1. */
  readonly date: Uint8Array
  readonly hour: Uint8Array
  /** 1 on Saturday and Sunday. */
  readonly weekend: Uint8Array
}

const hourMs = 3_600_000

/**
 * What a zone's clocks are ahead of Greenwich at a moment, in milliseconds.
 * @param zone IANA name
 */
export function zoneOffsetMs(zone: string, unixMs: number): number {
  const parts = formatterOf(zone).formatToParts(unixMs)
  const field = (type: string) => Number(parts.find((part) => part.type === type)?.value ?? 0)
  const local = Date.UTC(
    field('year'),
    field('month') - 1,
    field('day'),
    field('hour') % 24,
    field('minute'),
    field('second'),
  )
  return local - Math.floor(unixMs / 1000) * 1000
}

const formatters = new Map<string, Intl.DateTimeFormat>()

function formatterOf(zone: string): Intl.DateTimeFormat {
  let formatter = formatters.get(zone)
  if (!formatter) {
    formatter = new Intl.DateTimeFormat('en-US', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    })
    formatters.set(zone, formatter)
  }
  return formatter
}

/** Standard-time offset of a zone in the model year, in hours: the lesser of January's and July's. */
export function standardOffsetHours(zone: string, year: number): number {
  return Math.min(zoneOffsetMs(zone, Date.UTC(year, 0, 1)), zoneOffsetMs(zone, Date.UTC(year, 6, 1))) / hourMs
}

/** @param startMs Unix time of the first interval */
export function localClock(
  zone: string,
  startMs: number,
  stepMinutes: number,
  intervals: number,
): LocalClock {
  const month = new Uint8Array(intervals)
  const date = new Uint8Array(intervals)
  const hour = new Uint8Array(intervals)
  const weekend = new Uint8Array(intervals)
  const perDay = Math.round(1440 / stepMinutes)
  const at = (i: number) => startMs + i * stepMinutes * 60_000
  for (let first = 0; first < intervals; first += perDay) {
    const end = Math.min(first + perDay, intervals)
    const before = zoneOffsetMs(zone, at(first))
    const after = zoneOffsetMs(zone, at(end) - 1)
    for (let i = first; i < end; i++) {
      const offset = before === after ? before : zoneOffsetMs(zone, at(i))
      const local = new Date(at(i) + offset)
      month[i] = local.getUTCMonth()
      date[i] = local.getUTCDate()
      hour[i] = local.getUTCHours()
      weekend[i] = local.getUTCDay() % 6 === 0 ? 1 : 0
    }
  }
  return { month, date, hour, weekend }
}

/** Whether the clocks of a zone are known here. */
export const isTimeZone = (zone: string) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}
