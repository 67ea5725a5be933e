import {
  largestOutlinesBytes,
  outlinesIn,
  volumesOver,
  withoutStanding,
  type OutlinesRead,
} from '@/core/imports/geojson-outlines'
import { ofKind } from '@/core/kinds/documents'
import { type Site } from '@/core/kinds/site/site'
import { defaultEaveHeightM, defaultPitchDeg } from '@/core/kinds/volume/volume'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { newId } from '@/core/model/new-id'
import { type Sayer } from '@/words/sayer'
import { houseId, type DocumentStore } from '../store/documents'
import { toast, type SessionStore } from '../store/session'

/** Outlines that could not be used are told one by one up to so many. */
const mostSaid = 3

/**
 * Takes buildings from a file of outlines, the one at the site as the house and the others as neighbours.
 * @throws Fault of `outlinesIn`, `too-large`, `outlines-stand`
 */
export async function takeOutlines(
  file: File,
  site: Site,
  {
    documents,
    session,
    sayer,
  }: { readonly documents: DocumentStore; readonly session: SessionStore; readonly sayer: Sayer },
): Promise<void> {
  checkFileSize(file.size, largestOutlinesBytes)
  const text = await file.text()
  const drawn = ofKind(documents.house, 'volume')
  const read = withoutStanding(
    outlinesIn(text, file.name, site),
    drawn.map(({ outline }) => outline),
  )
  if (read.found.length === 0) throw new Fault('outlines-stand', { file: file.name })
  const volumes = volumesOver(
    read,
    drawn.some(({ role }) => role === 'house'),
    { eaveHeightM: defaultEaveHeightM, pitchDeg: defaultPitchDeg },
    (i) => sayer.say(sayer.words.kinds.volume.named, { n: drawn.length + i + 1 }),
    () => newId('volume', Math.random),
  )
  const { fault, step } = documents.edit(sayer.words.outlines.label, houseId, (before) => ({
    ...before,
    ...Object.fromEntries(volumes.map((volume) => [volume.id, volume])),
  }))
  if (fault) throw fault
  toast(session, saidOf(sayer, read), step)
}

function saidOf(sayer: Sayer, { found, left, holes }: OutlinesRead): string {
  const { taken, leftOut, more } = sayer.words.outlines
  const said = left.slice(0, mostSaid).map(({ feature, why }) => sayer.say(leftOut, { feature, why }))
  if (left.length > mostSaid) said.push(sayer.say(more, { count: left.length - mostSaid }))
  const first = sayer.say(taken, { count: found.length, left: left.length, holes })
  return said.length > 0 ? `${first} ${said.join(', ')}.` : first
}
