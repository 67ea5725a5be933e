import { ofKind } from '@/core/kinds/documents'
import { usualBarriers, type Barrier } from '@/core/kinds/barrier/barrier'
import { Fault } from '@/core/model/fault'
import { newId } from '@/core/model/new-id'
import { nameAmong } from '../../tools/placing'
import { type Traced } from '../../tools/trace/drawing'
import { TraceIdle } from '../../tools/trace/idle'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

const traced: Traced = {
  closes: false,
  label: 'Draw a fence',
  make: (context, points): Barrier => {
    if (points.length < 2) throw new Fault('short-line')
    return {
      id: newId('barrier', context.random),
      kind: 'barrier',
      name: nameAmong(context, 'barrier', ofKind(context.documents.house, 'barrier')),
      use: 'fence',
      points: [...points],
      ...usualBarriers.fence,
    }
  },
}

export const barrierBench: BenchKind<Barrier> = {
  listedIn: 'shape',
  title: byName,
  note: ({ use }, { words }) => words.barrierUses[use],
  Card: lazyCard('BarrierCard'),
  tools: [{ id: 'barrier', key: 'H', chapter: 'shape', begin: (context) => new TraceIdle(context, traced) }],
}
