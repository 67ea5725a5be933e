import { ofKind } from '@/core/kinds/documents'
import { defaultDormer, type Dormer } from '@/core/kinds/dormer/dormer'
import { fittedDormer } from '@/core/kinds/dormer/geometry'
import { dormerGround } from '@/core/kinds/dormer/ground'
import { newId } from '@/core/model/new-id'
import { nameAmong, Placing, type Placement } from '../../tools/placing'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

const placement: Placement = {
  tool: 'dormer',
  on: 'roof',
  make: (context, front) =>
    fittedDormer(
      {
        ...defaultDormer,
        id: newId('dormer', context.random),
        name: nameAmong(context, 'dormer', ofKind(context.documents.house, 'dormer')),
        front,
      },
      dormerGround(context.site(), front),
    ),
}

export const dormerBench: BenchKind<Dormer> = {
  listedIn: 'shape',
  title: byName,
  note: ({ form }, { words }) => words.dormerForms[form],
  Card: lazyCard('DormerCard'),
  tools: [{ id: 'dormer', key: 'D', chapter: 'shape', begin: (context) => new Placing(context, placement) }],
}
