import { type Reading } from '@/core/kinds/reading/reading'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

export const readingBench: BenchKind<Reading> = {
  listedIn: 'site',
  title: byName,
  note: ({ heights }) => `${Math.max(...heights.map(([, elevation]) => elevation)).toFixed(0)}°`,
  Card: lazyCard('ReadingCard'),
  // Files of the device put them there.
  tools: [],
}
