import { type Catalogue } from '../electrical/catalogue'
import { parseJob } from '../kinds/job'
import { Fault } from '../model/fault'
import { readSheets, withSheets } from '../stages/equipment'
import { type Design } from '../stages/world'
import { parseOfferFile, type OfferFile } from './offer-file'

/** A design as an offer was made of it. */
export interface OfferedDesign {
  readonly design: Design
  readonly file: OfferFile
}

/**
 * The design that stands in the file of an offer, with the data sheets that it was computed with.
 * @param value the file, as JSON has it
 * @param catalogue for what the file has no sheets of
 * @throws Fault `no-offer-file`, `bad-offer-file`, `no-such-option`, and those of `parseJob` and `readSheets`
 */
export function offeredDesign(value: unknown, catalogue: Catalogue): OfferedDesign {
  const file = parseOfferFile(value)
  const job = parseJob(file.job)
  const option = job.options.find(({ id }) => id === file.optionId)
  if (!option) throw new Fault('no-such-option', { name: file.optionId, letters: 'none' }, 'optionId')
  const sheets = readSheets((file.job as { equipment?: unknown }).equipment)
  return {
    design: { house: job.house, option: option.objects, catalogue: withSheets(catalogue, sheets) },
    file,
  }
}

/** What an offer said of a figure; null where it said nothing. */
export const statedIn = ({ figures }: OfferFile, id: string): number | null =>
  figures.find((figure) => figure.id === id)?.value ?? null
