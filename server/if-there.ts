import { Fault } from '@/core/model/fault'

/** What there is; null where a fault of this code says that there is nothing. */
export async function ifThere<T>(work: Promise<T>, ...codes: readonly string[]): Promise<T | null> {
  try {
    return await work
  } catch (error) {
    if (error instanceof Fault && codes.includes(error.code)) return null
    throw error
  }
}
