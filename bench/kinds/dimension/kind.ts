import { type Dimension } from '@/core/kinds/dimension/dimension'
import { length3, sub3 } from '@/core/geometry/vector'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

export const dimensionBench: BenchKind<Dimension> = {
  listedIn: 'shape',
  title: byName,
  note: ({ from, to }, sayer) => sayer.written({ value: length3(sub3(to, from)), unit: 'm' }),
  Card: lazyCard('DimensionCard'),
  // The tape puts them there.
  tools: [],
}
