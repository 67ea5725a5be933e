import { Graph } from '@/core/graph/graph'
import { type World } from '@/core/stages/world'

const holder = globalThis as { tallGableGraph?: Graph<World> }

/** What the server keeps of computed stages; it serves many jobs, a few of them now. */
const keptBytes = 300_000_000

/** The server's own chain; it remembers results as the browser's does. */
export const serverGraph = (): Graph<World> =>
  (holder.tallGableGraph ??= new Graph<World>({ mostBytes: keptBytes, now: () => performance.now() }))
