import { readWeatherFile } from './files'

type Reading = ReturnType<typeof readWeatherFile>

/** Weather files that are kept; each takes some 500 kB and its text. */
const mostKept = 8

const kept = new Map<string, Reading>()

/** A weather file that is named by many cases is read once. @throws Fault, as `readWeatherFile` */
export function weatherFileOnce(file: string, beside?: string): Reading {
  const key = `${beside ?? ''}\n${file}`
  const known = kept.get(key)
  if (known) return known
  const read = readWeatherFile(file, beside)
  kept.set(key, read)
  const oldest = kept.size > mostKept ? kept.keys().next().value : undefined
  if (oldest !== undefined) kept.delete(oldest)
  return read
}
