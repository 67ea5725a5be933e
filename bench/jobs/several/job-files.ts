import { Unzip, UnzipInflate, Zip, ZipDeflate } from 'fflate'

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
/** Read at once. */
const pieceBytes = 256 * 1024

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

/** Unpacked piece by piece, so that nothing grows past its bounds whatever a file says of its size. */
async function inZip(file: File): Promise<FoundFile[]> {
  const found: FoundFile[] = []
  /** Begun and not ended yet. */
  const open = new Set<string>()
  let count = 0
  let bytes = 0
  const reader = new Unzip((entry) => {
    const { name } = entry
    if (!/\.json$/i.test(name) || name.startsWith('__MACOSX/')) return
    if (++count > mostFiles) {
      found.push({ name, fault: `more than ${mostFiles} jobs in one file` })
      return
    }
    const decoder = new TextDecoder()
    let text = ''
    let size = 0
    open.add(name)
    const end = (one: FoundFile) => {
      if (open.delete(name)) found.push(one)
    }
    entry.ondata = (error, part, final) => {
      if (!open.has(name)) return
      if (error) {
        end({ name, fault: 'damaged: it cannot be unpacked' })
        return
      }
      size += part.length
      bytes += part.length
      const tooLarge =
        size > largestBytes ? 'larger than 48 MB' : bytes > mostBytes ? 'more than 500 MB in one file' : null
      if (tooLarge) {
        end({ name, fault: tooLarge })
        entry.terminate()
        return
      }
      text += decoder.decode(part, { stream: !final })
      if (final) end({ name, text })
    }
    entry.start()
  })
  reader.register(UnzipInflate)
  const damaged: FoundFile = { name: file.name, fault: 'damaged: it cannot be unpacked' }
  try {
    for (let at = 0; at < file.size; at += pieceBytes) {
      const piece = new Uint8Array(await file.slice(at, at + pieceBytes).arrayBuffer())
      reader.push(piece, at + pieceBytes >= file.size)
    }
  } catch {
    // Whatever the unpacking says: it is not a ZIP that can be read to its end.
    return [...found, damaged]
  }
  for (const name of open) found.push({ name, fault: 'damaged: it ends too early' })
  if (found.length > 0) return found
  return [
    count === 0 && file.size > 100 ? { name: file.name, fault: 'no job’s file (.json) is in it' } : damaged,
  ]
}
