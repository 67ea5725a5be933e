import { defaultChimney, type Chimney } from '@/core/kinds/chimney/chimney'
import { ofKind } from '@/core/kinds/documents'
import { newId } from '@/core/model/new-id'
import { nameAmong, Placing, type Placement } from '../../tools/placing'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'
import { turnAlong } from '../turn-along'

const placement: Placement = {
  tool: 'chimney',
  on: 'roof',
  make: (context, center, { hit }) => ({
    ...defaultChimney,
    id: newId('chimney', context.random),
    name: nameAmong(context, 'chimney', ofKind(context.documents.house, 'chimney')),
    center,
    rotationDeg: turnAlong(context, hit),
  }),
}

export const chimneyBench: BenchKind<Chimney> = {
  listedIn: 'shape',
  title: byName,
  note: (_chimney, { words }) => words.kinds.chimney.one,
  Card: lazyCard('ChimneyCard'),
  tools: [{ id: 'chimney', key: 'C', chapter: 'shape', begin: (context) => new Placing(context, placement) }],
}
