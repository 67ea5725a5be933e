import { constants, setPriority } from 'node:os'

/**
 * Lets whoever answers requests go first: on Linux the priority is the calling thread's own, and that of the processes it
 * starts.
 */
export function yieldToRequests(): void {
  setPriority(constants.priority.PRIORITY_BELOW_NORMAL)
}
