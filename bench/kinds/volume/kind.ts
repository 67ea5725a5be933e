import { type Volume } from '@/core/kinds/volume/volume'
import { TraceIdle } from '../../tools/trace/idle'
import { byName, type BenchKind } from '../kind'
import { lazyCard } from '../lazy-card'
import { Pitching } from './pitching'
import { TogglingGable } from './toggling-gable'
import { tracedVolume } from './traced'

export const volumeBench: BenchKind<Volume> = {
  listedIn: 'shape',
  title: byName,
  note: ({ role }, { words }) => (role === 'neighbour' ? 'neighbour' : words.kinds.volume.one),
  Card: lazyCard('VolumeCard'),
  tools: [
    { id: 'trace', key: 'O', chapter: 'shape', begin: (context) => new TraceIdle(context, tracedVolume) },
    { id: 'gable', key: 'G', chapter: 'shape', begin: (context) => new TogglingGable(context) },
    { id: 'pitch', key: 'U', chapter: 'shape', begin: (context) => new Pitching(context) },
  ],
}
