import { type Body } from '@/core/kinds/body/body'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'

export const bodyBench: BenchKind<Body> = {
  listedIn: 'shape',
  title: byName,
  note: (_body, { words }) => words.kinds.body.one,
  Card: lazyCard('BodyCard'),
  // It comes from a file.
  tools: [],
}
