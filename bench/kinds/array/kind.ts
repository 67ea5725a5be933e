import { type PanelArray } from '@/core/kinds/array/array'
import { type Sayer } from '@/words/sayer'
import { type Words } from '@/words/words'
import { type BenchKind } from '../kind'
import { ArrayCard } from './card'
import { Laying } from './laying'

const sides = [
  'n',
  'ne',
  'e',
  'se',
  's',
  'sw',
  'w',
  'nw',
] as const satisfies readonly (keyof Words['compass'])[]

/** What an array is called: the way it looks. */
const sideOf = (azimuthDeg: number, { words }: Sayer): string =>
  words.compass[sides[Math.round(azimuthDeg / 45) % 8] ?? 'n']

export const arrayBench: BenchKind<PanelArray> = {
  listedIn: 'cover',
  title: ({ id }, sayer, site) => {
    const laid = site.arrays.find((array) => array.id === id)
    return laid ? sideOf(laid.plane.azimuthDeg, sayer) : 'Plane is missing'
  },
  note: (_array, { words }) => words.kinds.array.one,
  Card: ArrayCard,
  tools: [{ id: 'lay', key: 'L', chapter: 'cover', begin: (context) => new Laying(context) }],
}
