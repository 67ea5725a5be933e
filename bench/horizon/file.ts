import { checkFileSize } from '@/core/model/file-size'
import { readHorizon } from '@/core/readers/horizon-csv'

/** What a file of a horizon may be, as a file choice wants it. */
export const horizonFiles = '.csv,.txt,.hor,text/csv,text/plain'

/** A table of 720 points has some 12 kB. */
const mostBytes = 1_000_000

/** @throws Fault `file-too-large`, `horizon-file` */
export async function horizonFrom(file: File): Promise<[number, number][]> {
  checkFileSize(file.size, mostBytes)
  return readHorizon(await file.text())
}
