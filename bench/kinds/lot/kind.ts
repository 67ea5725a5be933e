import { type Lot } from '@/core/kinds/lot/lot'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

export const lotBench: BenchKind<Lot> = {
  listedIn: 'site',
  title: byName,
  note: ({ source }, { words }) => words.lotSources[source],
  Card: lazyCard('LotCard'),
  // Taken from the survey or a file, or put around the house to be dragged.
  tools: [],
}
