import { strFromU8, unzip, Zip, ZipDeflate, type UnzipFileInfo } from 'fflate'

/** Names that a file may not have anywhere, without what makes them so; never empty. */
const plainName = (name: string) =>
  name
    .replaceAll(/[^\p{L}\p{N} _-]+/gu, '')
    .trim()
    .slice(0, 80) || 'job'

/** A ZIP file of jobs, made while they come in one after the other. */
export class JobArchive {
  readonly #zip: Zip
  readonly #parts: Uint8Array<ArrayBuffer>[] = []
  readonly #names = new Set<string>()
  #fault: Error | null = null

  constructor() {
    this.#zip = new Zip((error, part) => {
      if (error) this.#fault = error
      else this.#parts.push(part)
    })
  }

  /** Adds a job's file under its name; two of one name are told apart by a number. */
  add(jobName: string, bytes: Uint8Array): void {
    const plain = plainName(jobName)
    let name = plain
    for (let n = 2; this.#names.has(name.toLowerCase()); n++) name = `${plain} ${n}`
    this.#names.add(name.toLowerCase())
    const file = new ZipDeflate(`${name}.json`, { level: 6 })
    this.#zip.add(file)
    file.push(bytes, true)
  }

  /** The whole file. @throws Error of the packing */
  end(): Blob {
    this.#zip.end()
    if (this.#fault) throw this.#fault
    return new Blob(this.#parts, { type: 'application/zip' })
  }
}

/** A file of one job, by the name it came under; what could not be read says why. */
export type FoundFile =
  { readonly name: string; readonly text: string } | { readonly name: string; readonly fault: string }

/** Of a job's file as the server takes it, bytes; and of all that is unpacked at once. */
const largestBytes = 48_000_000
const mostBytes = 500_000_000
const mostFiles = 500

/** The jobs in the files that were chosen: each by itself, or many in a ZIP. */
export async function jobFilesIn(files: readonly File[]): Promise<FoundFile[]> {
  const found: FoundFile[] = []
  for (const file of files) {
    const head = new Uint8Array(await file.slice(0, 2).arrayBuffer())
    // "PK": what it is, whatever it is called.
    if (head[0] === 0x50 && head[1] === 0x4b) found.push(...(await inZip(file)))
    else if (file.size > largestBytes) found.push({ name: file.name, fault: 'larger than 48 MB' })
    else found.push({ name: file.name, text: await file.text() })
  }
  return found
}

async function inZip(file: File): Promise<FoundFile[]> {
  if (file.size > mostBytes) return [{ name: file.name, fault: 'larger than 500 MB' }]
  const refused: FoundFile[] = []
  let bytes = 0
  let count = 0
  const wanted = ({ name, originalSize }: UnzipFileInfo): boolean => {
    if (!/\.json$/i.test(name) || name.startsWith('__MACOSX/')) return false
    count++
    bytes += originalSize
    const fault =
      originalSize > largestBytes
        ? 'larger than 48 MB'
        : count > mostFiles
          ? `more than ${mostFiles} jobs in one file`
          : bytes > mostBytes
            ? 'more than 500 MB in one file'
            : null
    if (fault) refused.push({ name, fault })
    return fault === null
  }
  try {
    const packed = new Uint8Array(await file.arrayBuffer())
    const unpacked = await new Promise<Record<string, Uint8Array>>((done, fail) => {
      unzip(packed, { filter: wanted }, (error, all) => (error ? fail(error) : done(all)))
    })
    const jobs = Object.entries(unpacked).map(([name, content]) => ({ name, text: strFromU8(content) }))
    if (jobs.length + refused.length === 0)
      return [{ name: file.name, fault: 'no job’s file (.json) is in it' }]
    return [...jobs, ...refused]
  } catch {
    // Whatever the unpacking says: it is not a ZIP that can be read.
    return [{ name: file.name, fault: 'damaged: it cannot be unpacked' }]
  }
}
