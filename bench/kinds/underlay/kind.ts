import { type Underlay } from '@/core/kinds/underlay/underlay'
import { LateState } from '../../tools/late-state'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

export const underlayBench: BenchKind<Underlay> = {
  listedIn: 'site',
  title: byName,
  note: ({ content }, sayer) => sayer.words.underlayContents[content],
  Card: lazyCard('UnderlayCard'),
  tools: [
    {
      id: 'calibrate',
      key: 'Q',
      chapter: 'site',
      begin: (context) => new LateState(context, 'calibrate', (later) => new later.CalibrateFirst(context)),
    },
  ],
}
