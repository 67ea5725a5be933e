import { kindVersions } from './documents'
import { type AnyObject } from './index'

/** Objects that were copied out of a job: of its house, and of the option that was on the screen. */
export interface Copied {
  readonly house: readonly AnyObject[]
  readonly option: readonly AnyObject[]
}

export const copiedFormat = 'tall-gable-objects'
export const copiedVersion = 1

/** Copied objects as a text that other jobs and other windows can read. */
export const writeCopied = ({ house, option }: Copied): string =>
  JSON.stringify({ format: copiedFormat, version: copiedVersion, kinds: kindVersions, house, option })
