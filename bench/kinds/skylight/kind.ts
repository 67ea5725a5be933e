import { ofKind } from '@/core/kinds/documents'
import { defaultSkylight, type Skylight } from '@/core/kinds/skylight/skylight'
import { newId } from '@/core/model/new-id'
import { nameAmong, Placing, type Placement } from '../../tools/placing'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

const placement: Placement = {
  tool: 'skylight',
  on: 'roof',
  make: (context, center) => ({
    ...defaultSkylight,
    id: newId('skylight', context.random),
    name: nameAmong(context, 'skylight', ofKind(context.documents.house, 'skylight')),
    center,
  }),
}

export const skylightBench: BenchKind<Skylight> = {
  listedIn: 'shape',
  title: byName,
  note: (_skylight, { words }) => words.kinds.skylight.one,
  Card: lazyCard('SkylightCard'),
  tools: [
    { id: 'skylight', key: 'K', chapter: 'shape', begin: (context) => new Placing(context, placement) },
  ],
}
