import { ofKind } from '@/core/kinds/documents'
import { defaultWalkway, type Walkway } from '@/core/kinds/walkway/walkway'
import { newId } from '@/core/model/new-id'
import { nameAmong, Placing, type Placement } from '../../tools/placing'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

const placement: Placement = {
  tool: 'walkway',
  on: 'roof',
  make: (context, center) => ({
    ...defaultWalkway,
    id: newId('walkway', context.random),
    name: nameAmong(context, 'walkway', ofKind(context.documents.house, 'walkway')),
    center,
  }),
}

export const walkwayBench: BenchKind<Walkway> = {
  listedIn: 'cover',
  title: byName,
  note: (_walkway, { words }) => words.kinds.walkway.one,
  Card: lazyCard('WalkwayCard'),
  tools: [{ id: 'walkway', key: '8', chapter: 'cover', begin: (context) => new Placing(context, placement) }],
}
