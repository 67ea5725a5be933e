import { catalogueSchema, type Catalogue } from '../electrical/catalogue'
import { type Job } from '../kinds/job'
import { faultOf } from '../model/rules'
import { mountingOn } from '../structure/choose'
import { coverIn, electricalIn, siteIn, storageIn, type Design } from './world'

/**
 * The data sheets of what a job's options name, each once: with them it is computed elsewhere, and later, as it is here.
 * What the catalogue no longer has is left out; the job names it all the same.
 */
export function sheetsOf(job: Job, catalogue: Catalogue): Catalogue {
  const designs = job.options.map(({ objects }): Design => ({ house: {}, option: objects, catalogue }))
  const modules = new Set(designs.map((design) => coverIn(design).moduleId))
  const inverters = new Set(designs.map((design) => electricalIn(design).inverterId))
  const optimizers = new Set(designs.map((design) => electricalIn(design).optimizerId))
  const rules = new Set(designs.map((design) => coverIn(design).rulesId))
  const mountings = new Set(
    designs.flatMap((design) =>
      [siteIn({ ...design, house: job.house }).roofCovering, 'membrane' as const].map(
        (covering) => mountingOn(catalogue.mountings, coverIn(design), covering)?.id,
      ),
    ),
  )
  const batteries = new Set(designs.map((design) => storageIn(design).batteryId))
  return {
    modules: catalogue.modules.filter(({ id }) => modules.has(id)),
    inverters: catalogue.inverters.filter(({ id }) => inverters.has(id)),
    batteries: catalogue.batteries.filter(({ id }) => batteries.has(id)),
    optimizers: catalogue.optimizers.filter(({ id }) => optimizers.has(id)),
    rules: catalogue.rules.filter(({ id }) => rules.has(id)),
    mountings: catalogue.mountings.filter(({ id }) => mountings.has(id)),
  }
}

/** A catalogue in which a job's own data sheets stand in place of others of their ids. */
export function withSheets(catalogue: Catalogue, sheets: Catalogue | null): Catalogue {
  if (!sheets) return catalogue
  const both = <T extends { readonly id: string }>(own: readonly T[], other: readonly T[]): T[] => {
    const ids = new Set(own.map(({ id }) => id))
    return [...own, ...other.filter(({ id }) => !ids.has(id))]
  }
  return {
    modules: both(sheets.modules, catalogue.modules),
    inverters: both(sheets.inverters, catalogue.inverters),
    batteries: both(sheets.batteries, catalogue.batteries),
    optimizers: both(sheets.optimizers, catalogue.optimizers),
    rules: both(sheets.rules, catalogue.rules),
    mountings: both(sheets.mountings, catalogue.mountings),
  }
}

/**
 * The data sheets in a job's file; null where it brings none.
 * @param equipment the file's field of that name
 * @throws Fault `bad-equipment` with the path of what is wrong
 */
export function readSheets(equipment: unknown): Catalogue | null {
  if (equipment === undefined) return null
  const parsed = catalogueSchema.safeParse(equipment)
  if (!parsed.success) throw faultOf(parsed.error, 'bad-equipment', 'equipment')
  return parsed.data
}
