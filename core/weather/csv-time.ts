/** A moment as a table writes it, without a zone unless one stands in it. */
export interface Stamp {
  readonly year: number
  readonly month: number
  readonly day: number
  /** Of the day; 24 h is the day's end. */
  readonly minutes: number
  /** Minutes east of Greenwich where the stamp says so. */
  readonly zoneMinutes: number | null
}

const yearFirst =
  /^(\d{4})[-/.]?(\d{2})[-/.]?(\d{2})(?:[T ,:]*(\d{1,2}):?(\d{2})?(?::?(\d{2})(?:\.\d+)?)?)?\s*(Z|UTC|[+-]\d{2}:?\d{2})?$/i
const yearLast =
  /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4}|\d{2})(?:[T ,]+(\d{1,2}):(\d{2})(?::(\d{2}))?\s*(am|pm)?)?\s*(Z|UTC|[+-]\d{2}:?\d{2})?$/i
const unixSeconds = /^1\d{9}$/
const unixMilliseconds = /^1\d{12}$/

export const looksLikeTime = (text: string): boolean => {
  const cell = text.trim()
  return yearFirst.test(cell) || yearLast.test(cell) || unixMilliseconds.test(cell)
}

const zoneOf = (text: string | undefined): number | null => {
  if (text === undefined) return null
  if (/^(z|utc)$/i.test(text)) return 0
  const digits = text.replace(':', '')
  const sign = digits.startsWith('-') ? -1 : 1
  return sign * (Number(digits.slice(1, 3)) * 60 + Number(digits.slice(3, 5)))
}

/** A clock time alone, in minutes: `7:30`, `07:30:00`, `1 pm`; null when it is none. */
export function parseClock(text: string): number | null {
  const found = /^(\d{1,2})(?::?(\d{2}))?(?::(\d{2}))?\s*(am|pm)?$/i.exec(text.trim())
  if (!found) return null
  const minutes = minutesOf(hours12(Number(found[1]), found[4]), Number(found[2] ?? 0))
  return minutes <= 1440 ? minutes : null
}

/** Minutes of the day; NaN where the minutes are no minutes. */
const minutesOf = (hour: number, minute: number) => (minute < 60 ? hour * 60 + minute : NaN)

const hours12 = (hour: number, half: string | undefined) =>
  half === undefined ? hour : (hour % 12) + (half.toLowerCase() === 'pm' ? 12 : 0)

/** A stamp in any of the usual orders; null when it is none. */
export function parseStamp(text: string, dayFirst: boolean): Stamp | null {
  const cell = text.trim()
  if (unixSeconds.test(cell) || unixMilliseconds.test(cell)) {
    const at = new Date(Number(cell) * (unixSeconds.test(cell) ? 1000 : 1))
    return {
      year: at.getUTCFullYear(),
      month: at.getUTCMonth() + 1,
      day: at.getUTCDate(),
      minutes: at.getUTCHours() * 60 + at.getUTCMinutes(),
      zoneMinutes: 0,
    }
  }
  const a = yearFirst.exec(cell)
  if (a)
    return checkedStamp({
      year: Number(a[1]),
      month: Number(a[2]),
      day: Number(a[3]),
      minutes: minutesOf(Number(a[4] ?? 0), Number(a[5] ?? 0)),
      zoneMinutes: zoneOf(a[7]),
    })
  const b = yearLast.exec(cell)
  if (!b) return null
  const [one, two] = [Number(b[1]), Number(b[2])]
  const year = Number(b[3])
  return checkedStamp({
    year: year < 100 ? 2000 + year : year,
    month: dayFirst ? two : one,
    day: dayFirst ? one : two,
    minutes: minutesOf(hours12(Number(b[4] ?? 0), b[7]), Number(b[5] ?? 0)),
    zoneMinutes: zoneOf(b[8]),
  })
}

/** The stamp when its month has that day and the day that minute; null otherwise. */
export const checkedStamp = (stamp: Stamp): Stamp | null =>
  stamp.year > 0 &&
  new Date(Date.UTC(stamp.year, stamp.month - 1, stamp.day)).getUTCMonth() === stamp.month - 1 &&
  stamp.day >= 1 &&
  stamp.minutes >= 0 &&
  stamp.minutes <= 1440
    ? stamp
    : null
