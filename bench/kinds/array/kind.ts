import { type PanelArray } from '@/core/kinds/array/array'
import { looksOf } from '@/words/direction'
import { namedPlanes } from '../../named-planes'
import { type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'
import { Laying } from './laying'

export const arrayBench: BenchKind<PanelArray> = {
  listedIn: 'cover',
  title: ({ id, volumeId, edgeIndex, step }, sayer, site, house) => {
    const named = namedPlanes(site, house, sayer).find(
      ({ ownerId, plane }) => ownerId === volumeId && plane.edgeIndex === edgeIndex && plane.step === step,
    )
    if (named) return named.name
    const laid = site.arrays.find((array) => array.id === id)
    return laid ? looksOf(laid.plane, sayer.words) : 'Plane is missing'
  },
  note: (_array, { words }) => words.kinds.array.one,
  Card: lazyCard('ArrayCard'),
  tools: [{ id: 'lay', key: 'L', chapter: 'cover', begin: (context) => new Laying(context) }],
}
