import { type Objects } from './documents'
import { type KindName } from './index'

/** Kinds that no figure is computed from and no customer is shown: they may change while an offer stands. */
const kinds: ReadonlySet<KindName> = new Set<KindName>([
  'dimension',
  'lot',
  'underlay',
  'visit',
  'photo',
  'permit',
  'production',
])

export const isBesideFigures = ({ kind }: { readonly kind: KindName }): boolean => kinds.has(kind)

/** A document without what no offer is made from. */
export const figured = (objects: Objects): Objects =>
  Object.fromEntries(Object.entries(objects).filter(([, object]) => !isBesideFigures(object)))
