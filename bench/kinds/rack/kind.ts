import { ofKind } from '@/core/kinds/documents'
import { defaultRack, type Rack } from '@/core/kinds/rack/rack'
import { siteId } from '@/core/kinds/site/site'
import { newId } from '@/core/model/new-id'
import { nameAmong, Placing, type Placement } from '../../tools/placing'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

const placement: Placement = {
  tool: 'rack',
  on: 'open-ground',
  make: (context, center) => {
    const site = context.documents.house[siteId]
    const southern = site?.kind === 'site' && site.latitudeDeg < 0
    return {
      ...defaultRack,
      id: newId('rack', context.random),
      name: nameAmong(context, 'rack', ofKind(context.option(), 'rack')),
      center,
      // Facing the equator.
      azimuthDeg: southern ? 0 : 180,
    }
  },
}

export const rackBench: BenchKind<Rack> = {
  listedIn: 'cover',
  title: byName,
  note: (_rack, { words }) => words.kinds.rack.one,
  Card: lazyCard('RackCard'),
  tools: [{ id: 'rack', key: 'R', chapter: 'cover', begin: (context) => new Placing(context, placement) }],
}
