export type ClusterPart = 'app' | 'worker' | 'node' | 'nodes' | 'proxy'

/** Three databases that hold the same, two applications with a worker each, and a proxy, on loopback. */
export class Cluster {
  constructor(folder: string)
  readonly address: string
  start(): Promise<void>
  stop(): Promise<void>
  /** @param which of them, from 0 */
  kill(part: ClusterPart, which?: number): void
  /** Waits until every part is there again. */
  whole(): Promise<void>
  /** Of the edits that each database holds. */
  checksums(): Promise<string[]>
}
