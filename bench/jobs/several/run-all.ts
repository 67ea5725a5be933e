import { type Answer } from '../requests'

/** How far a piece of work on several jobs has come. */
export interface Progressed {
  readonly done: number
  readonly of: number
  readonly failed: readonly { readonly name: string; readonly fault: string }[]
}

/**
 * Does something to one after the other; what fails is told by its name, and the rest is done all the same.
 * @param stopped asked before each: whether the rest is to be left
 */
export async function runAll<T extends { readonly name: string }>(
  items: readonly T[],
  work: (item: T) => Promise<Answer>,
  tell: (progress: Progressed) => void,
  stopped: () => boolean,
): Promise<Progressed> {
  let progress: Progressed = { done: 0, of: items.length, failed: [] }
  tell(progress)
  for (const item of items) {
    if (stopped()) break
    const answer = await work(item)
    progress =
      'fault' in answer
        ? { ...progress, failed: [...progress.failed, { name: item.name, fault: answer.fault }] }
        : { ...progress, done: progress.done + 1 }
    tell(progress)
  }
  return progress
}
