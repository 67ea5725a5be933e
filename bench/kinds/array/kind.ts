import { type PanelArray } from '@/core/kinds/array/array'
import { looksOf } from '@/words/direction'
import { type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'
import { Laying } from './laying'

export const arrayBench: BenchKind<PanelArray> = {
  listedIn: 'cover',
  title: ({ id }, sayer, site) => {
    const laid = site.arrays.find((array) => array.id === id)
    return laid ? looksOf(laid.plane, sayer.words) : 'Plane is missing'
  },
  note: (_array, { words }) => words.kinds.array.one,
  Card: lazyCard('ArrayCard'),
  tools: [{ id: 'lay', key: 'L', chapter: 'cover', begin: (context) => new Laying(context) }],
}
