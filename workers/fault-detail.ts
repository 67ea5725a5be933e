import { Fault, type FaultDetail } from '@/core/model/fault'

/** Any error as data that crosses to the page; what nobody expected tells nothing of the inside. */
export const faultDetail = (error: unknown): FaultDetail =>
  error instanceof Fault ? error.toJSON() : { code: 'unexpected', data: {}, path: '' }
