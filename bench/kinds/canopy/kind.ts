import { ofKind } from '@/core/kinds/documents'
import { usualCanopies, type Canopy } from '@/core/kinds/canopy/canopy'
import { newId } from '@/core/model/new-id'
import { nameAmong, Placing, type Placement } from '../../tools/placing'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

const placement: Placement = {
  tool: 'canopy',
  on: 'open-ground',
  make: (context, center): Canopy => ({
    ...usualCanopies.carport,
    id: newId('canopy', context.random),
    kind: 'canopy',
    name: nameAmong(context, 'canopy', ofKind(context.documents.house, 'canopy')),
    use: 'carport',
    center,
    rotationDeg: 0,
  }),
}

export const canopyBench: BenchKind<Canopy> = {
  listedIn: 'shape',
  title: byName,
  note: ({ use }, { words }) => words.canopyUses[use],
  Card: lazyCard('CanopyCard'),
  tools: [{ id: 'canopy', key: 'A', chapter: 'shape', begin: (context) => new Placing(context, placement) }],
}
