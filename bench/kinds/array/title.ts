import { type PanelArray } from '@/core/kinds/array/array'
import { type Objects } from '@/core/kinds/documents'
import { type Site } from '@/core/site/site'
import { looksOf } from '@/words/direction'
import { type Sayer } from '@/words/sayer'
import { namedPlanes } from '../../named-planes'

/** An array by its own name, else by its plane's. */
export function arrayTitle(
  { id, name, volumeId, edgeIndex, step }: PanelArray,
  sayer: Sayer,
  site: Site,
  house: Objects,
): string {
  if (name !== undefined) return name
  const named = namedPlanes(site, house, sayer).find(
    ({ ownerId, plane }) => ownerId === volumeId && plane.edgeIndex === edgeIndex && plane.step === step,
  )
  if (named) return named.name
  const laid = site.arrays.find((array) => array.id === id)
  return laid ? looksOf(laid.plane, sayer.words) : 'Plane is missing'
}
