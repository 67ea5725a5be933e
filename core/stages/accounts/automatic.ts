import { electricalId, type DrawnString } from '../../kinds/electrical/electrical'
import { type Remedy } from '../../model/ledger'

/** Lets strings and branches be as long as they may. */
const automatic: Remedy = {
  code: 'string-automatically',
  set: { id: electricalId, field: 'modulesPerString', value: null },
}

/** Strung automatically instead: what is drawn by hand of these strings, else what is typed about the length of all. */
export function automaticFor(
  strings: readonly { readonly drawn?: number }[],
  drawn: readonly DrawnString[],
): Remedy {
  const own = new Set(strings.flatMap(({ drawn: place }) => place ?? []))
  if (own.size === 0) return automatic
  return {
    code: 'string-automatically',
    set: { id: electricalId, field: 'drawn', value: drawn.filter((_, place) => !own.has(place)) },
  }
}
