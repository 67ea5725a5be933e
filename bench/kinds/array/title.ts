import { type PanelArray } from '@/core/kinds/array/array'
import { type Objects } from '@/core/kinds/documents'
import { isSamePlane, type Site } from '@/core/site/site'
import { looksOf } from '@/words/direction'
import { type Sayer } from '@/words/sayer'
import { namedPlanes } from '../../named-planes'

/** An array by its own name, else by its plane's, counted where there are several on it. */
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
  const laid = site.arrays.find((array) => array.id === id)
  if (!named && !laid) return 'Plane is missing'
  const on = laid?.margins?.plane
  const together = on
    ? site.arrays.filter(({ margins }) => margins !== null && isSamePlane(margins.plane, on))
    : []
  const nth = together.length > 1 ? ` ${together.findIndex((array) => array.id === id) + 1}` : ''
  return `${named?.name ?? (laid ? looksOf(laid.plane, sayer.words) : '')}${nth}`
}
