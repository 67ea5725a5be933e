import { Fault } from './fault'

/** @throws Fault `too-large` with both figures, for a file of more bytes than are read */
export function checkFileSize(bytes: number, most: number): void {
  if (bytes > most)
    throw new Fault('too-large', {
      reason: 'file',
      bytes: { value: bytes, unit: 'bytes' },
      limit: { value: most, unit: 'bytes' },
    })
}
