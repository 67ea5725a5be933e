import { Fault, type FaultDetail } from '@/core/model/fault'
import { place } from '@/core/model/rules'
import { plainEnglish } from '@/words/plain-english'

/** What the terminal says of a bad input. */
export interface Complaint {
  readonly error: { readonly code: string; readonly message: string; readonly path: string }
}

export const complaint = (fault: FaultDetail): Complaint => ({
  error: { code: fault.code, message: plainEnglish.fault(fault), path: fault.path },
})

/** The fault of a field of a case, by the code of the rule it breaks. */
export const badCase = (path: string, code: string, data: FaultDetail['data'] = {}): Fault =>
  new Fault('bad-case', { at: place(path), rule: { code, data } }, path)
