import { ofKind } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { broadleafTransmissivity, defaultTree, type Tree } from '@/core/kinds/tree/tree'
import { newId } from '@/core/model/new-id'
import { nameAmong, Placing, type Placement } from '../../tools/placing'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

const placement: Placement = {
  tool: 'tree',
  on: 'ground',
  make: (context, center) => {
    const { house } = context.documents
    const site = house[siteId]
    return {
      ...defaultTree,
      id: newId('tree', context.random),
      name: nameAmong(context, 'tree', ofKind(house, 'tree')),
      center,
      transmissivity: broadleafTransmissivity(site?.kind === 'site' ? site.latitudeDeg : 0),
    }
  },
}

export const treeBench: BenchKind<Tree> = {
  listedIn: 'shape',
  title: byName,
  note: (_tree, { words }) => words.kinds.tree.one,
  Card: lazyCard('TreeCard'),
  tools: [{ id: 'tree', key: 'T', chapter: 'shape', begin: (context) => new Placing(context, placement) }],
}
