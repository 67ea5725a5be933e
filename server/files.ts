import { webcrypto } from 'node:crypto'
import { promisify } from 'node:util'
import { gunzip, gzip } from 'node:zlib'
import { beginsAsDxf, largestDrawingBytes } from '@/core/imports/dxf-lines'
import { largestPictureBytes, pictureSize } from '@/core/imports/picture-size'
import { filesOf } from '@/core/kinds/files-of'
import { type Job } from '@/core/kinds/job'
import { Fault } from '@/core/model/fault'
import { insertFile, maybeOneFile, oneFilesSize, type FileRow, type MediaType } from './sql/files'

const zip = promisify(gzip)
const unzip = promisify(gunzip)

/** What the largest of them may have. */
export const largestFileBytes = Math.max(largestDrawingBytes, largestPictureBytes)
/** What all of a team's may take. */
const mostBytesOfTeam = 4_000_000_000
/** Where a drawing's beginning is looked for. */
const sniffedBytes = 4096

/** What a file is, by its first bytes. @throws Fault `not-a-sheet`, `too-large`, and those of `pictureSize` */
function sniffed(bytes: Uint8Array): MediaType {
  const head = Buffer.from(bytes.buffer, bytes.byteOffset, Math.min(sniffedBytes, bytes.length)).toString(
    'latin1',
  )
  if (beginsAsDxf(head)) return 'image/vnd.dxf'
  const tooLarge = { reason: 'body', limit: { value: largestPictureBytes, unit: 'bytes' } } as const
  if (bytes.length > largestPictureBytes) throw new Fault('too-large', tooLarge)
  return pictureSize(bytes).mediaType
}

async function idOf(bytes: Uint8Array<ArrayBuffer>): Promise<string> {
  // Off the event loop, however long the file is.
  const digest = await webcrypto.subtle.digest('SHA-256', bytes)
  return Buffer.from(digest).toString('hex').slice(0, 24)
}

/**
 * Keeps a picture or a drawing for a team; the same one twice is kept once.
 * @throws Fault as `sniffed`, and `store-full`
 */
export async function storeFile(
  teamId: string,
  bytes: Uint8Array<ArrayBuffer>,
): Promise<{ readonly id: string; readonly mediaType: MediaType }> {
  const mediaType = sniffed(bytes)
  const id = await idOf(bytes)
  const body =
    mediaType === 'image/vnd.dxf'
      ? await zip(bytes)
      : Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  if ((await oneFilesSize(teamId)) + body.length > mostBytesOfTeam) throw new Fault('store-full')
  await insertFile(teamId, id, { mediaType, body })
  return { id, mediaType }
}

/** A kept file as it came. @throws Fault `no-such-file` */
export async function loadFile(
  teamId: string,
  id: string,
): Promise<{ readonly mediaType: MediaType; readonly bytes: Buffer }> {
  const row = await maybeOneFile(teamId, id)
  if (!row) throw new Fault('no-such-file')
  return { mediaType: row.mediaType, bytes: await bytesOf(row) }
}

const bytesOf = async ({ mediaType, body }: FileRow): Promise<Buffer> =>
  mediaType === 'image/vnd.dxf' ? unzip(body) : body

/** The files that a job names and the team has. */
export async function filesWith(
  teamId: string,
  { house }: Job,
): Promise<{ readonly id: string; readonly bytes: Buffer }[]> {
  const files: { id: string; bytes: Buffer }[] = []
  for (const id of filesOf(house)) {
    const row = await maybeOneFile(teamId, id)
    if (row) files.push({ id, bytes: await bytesOf(row) })
  }
  return files
}

/** Pieces of a file that are written at once: a multiple of three, so that their base64 joins. */
const pieceBytes = 300_000

/** A job's own JSON with its files at the end, piece by piece, so that nobody waits for a long one. */
export function withFiles(
  json: string,
  files: readonly { readonly id: string; readonly bytes: Buffer }[],
): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder()
  const parts = (function* () {
    const end = json.lastIndexOf('}')
    yield files.length === 0 ? json : `${json.slice(0, end).trimEnd()},\n  "files": [`
    for (const [i, { id, bytes }] of files.entries()) {
      yield `${i === 0 ? '' : ','}\n    { "id": "${id}", "base64": "`
      for (let at = 0; at < bytes.length; at += pieceBytes)
        yield bytes.subarray(at, at + pieceBytes).toString('base64')
      yield '" }'
    }
    if (files.length > 0) yield `\n  ]\n}`
  })()
  return new ReadableStream({
    pull(controller) {
      const { value, done } = parts.next()
      if (done) controller.close()
      else controller.enqueue(encoder.encode(value))
    },
  })
}
