import { figured } from '@/core/kinds/beside-figures'
import { type Objects } from '@/core/kinds/documents'
import { canonical } from '@/core/model/digest'
import { digestOf } from './digest'

/** A digest of what an offer of a house and an option is made from, whatever the order of its fields. */
export const designDigest = (house: Objects, option: Objects): string =>
  digestOf(canonical([figured(house), figured(option)]))
