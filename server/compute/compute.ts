import { availableParallelism } from 'node:os'
import { type LetterheadShown } from '@/core/papers/letterhead'
import { type ReadModel } from '@/core/imports/model/mesh'
import { Lane } from './lane'
import { type DesignInput, type JobFigures, type JobFile, type KeptOffer, type KeptWeather } from './tasks'

const holder = globalThis as { tallGableLane?: Lane }

/** One core stays with the event loop. */
const lane = () =>
  (holder.tallGableLane ??= new Lane({
    name: 'compute',
    file: 'compute.mjs',
    threads: Math.max(1, availableParallelism() - 1),
    mostWaiting: 60,
    memoryMb: 1500,
  }))

/** Longest that somebody waits for numbers, and for a file to be read. */
const chainMs = 120_000
const fileMs = 60_000
/** A damaged model may keep its reader busy for ever. */
const modelMs = 40_000

/** @throws Fault of the chain, `too-much-shade`, and those of a lane */
export const figuresOf = (input: DesignInput, signal?: AbortSignal): Promise<JobFigures> =>
  lane().run('figures', input, { ms: chainMs, signal })

/** Gzipped JSON of what the customer sees. @throws Fault as `figuresOf` */
export const offerOf = (
  jobName: string,
  optionId: string,
  design: DesignInput,
  letterhead: LetterheadShown,
  signal?: AbortSignal,
): Promise<KeptOffer> =>
  lane().run('offer', { jobName, optionId, design, letterhead }, { ms: chainMs, signal })

/** @throws Fault of `readPlaced`, and those of a lane */
export const readWeather = (bytes: Uint8Array, signal?: AbortSignal): Promise<KeptWeather> =>
  lane().run('weather', bytes, { ms: fileMs, signal })

/** @throws Fault of `readModel`, and those of a lane */
export const readModelFile = (bytes: Uint8Array, signal?: AbortSignal): Promise<ReadModel> =>
  lane().run('model', bytes, { ms: modelMs, signal })

/** @throws Fault of `parseJob`, and those of a lane */
export const readJobFile = (bytes: Uint8Array, signal?: AbortSignal): Promise<JobFile> =>
  lane().run('jobFile', bytes, { ms: fileMs, signal })

export async function closeCompute(): Promise<void> {
  await holder.tallGableLane?.close()
  delete holder.tallGableLane
}
