import { isBesideFigures } from '@/core/kinds/beside-figures'
import { type Site } from '@/core/site/site'

/** What a picture needs: no solids to cast rays at, no rules, no reasons, and nothing that the team has noted or measured. */
export const drawable = (site: Site): Site => ({
  objects: site.objects
    .filter((object) => object.kind !== 'reading' && !isBesideFigures(object))
    .map((object) => ({
      ...object,
      geometry: {
        ...object.geometry,
        solids: [],
        keepOuts: [],
        faces: [],
        field: null,
        plan: [],
        fault: null,
      },
    })),
  arrays: site.arrays.map((array) => ({ ...array, empty: [] })),
  faces: [],
  orphaned: [],
  faults: [],
})
