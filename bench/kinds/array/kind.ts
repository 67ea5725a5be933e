import { type PanelArray } from '@/core/kinds/array/array'
import { type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'
import { LayArea } from './lay-area'
import { LayRows } from './lay-rows'
import { Laying } from './laying'
import { arrayTitle } from './title'

export const arrayBench: BenchKind<PanelArray> = {
  listedIn: 'cover',
  title: arrayTitle,
  note: ({ part }, { words }) => (part ? words.arrayParts[part.is] : words.kinds.array.one),
  Card: lazyCard('ArrayCard'),
  tools: [
    { id: 'lay', key: 'L', chapter: 'cover', begin: (context) => new Laying(context) },
    { id: 'lay-area', key: '9', chapter: 'cover', begin: (context) => new LayArea(context) },
    { id: 'lay-rows', key: '0', chapter: 'cover', begin: (context) => new LayRows(context) },
  ],
}
