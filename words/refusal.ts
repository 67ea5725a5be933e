import { Fault } from '@/core/model/fault'
import { plainEnglish } from './plain-english'

/** The English sentence of the fault that some work ends with, empty where it ends well; for tests. */
export function refusal(work: () => unknown): string {
  try {
    work()
  } catch (error) {
    if (error instanceof Fault) return plainEnglish.fault(error)
    throw error
  }
  return ''
}
