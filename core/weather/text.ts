import { Fault } from '../model/fault'
import { checkFileSize } from '../model/file-size'

/** Weather files larger than this are refused before they are read: a year of minutes has some 40 MB. */
export const largestWeatherBytes = 60_000_000

const marks: readonly (readonly [readonly number[], string])[] = [
  [[0xef, 0xbb, 0xbf], 'utf-8'],
  [[0xff, 0xfe], 'utf-16le'],
  [[0xfe, 0xff], 'utf-16be'],
]
/** Bytes looked at to tell text from anything else. */
const sniffed = 4096

/**
 * Bytes as text: UTF-8 or UTF-16 by their mark, else UTF-8, else Latin-1. Line ends become `\n`.
 * @throws Fault `empty`, `too-large`, `not-text`.
 */
export function textOf(bytes: Uint8Array): string {
  if (bytes.length === 0) throw new Fault('empty')
  checkFileSize(bytes.length, largestWeatherBytes)
  const mark = marks.find(([bom]) => bom.every((byte, i) => bytes[i] === byte))
  if (!mark && bytes.subarray(0, sniffed).some((byte) => byte < 9 || (byte > 13 && byte < 32 && byte !== 27)))
    throw new Fault('not-text')
  const text = decode(bytes, mark?.[1])
  return text.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n')
}

function decode(bytes: Uint8Array, encoding: string | undefined): string {
  const text = new TextDecoder(encoding).decode(bytes)
  // Not UTF-8: every byte is a letter of Latin-1.
  return encoding === undefined && text.includes('\uFFFD')
    ? new TextDecoder('windows-1252').decode(bytes)
    : text
}
