import { Fault } from './fault'

/** For tests: the fault that work ends in; null where it ends well. */
export function faultIn(work: () => unknown): Fault | null {
  try {
    work()
    return null
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
}
