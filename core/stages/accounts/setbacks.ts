import { stage, type Stage } from '../../graph/stage'
import { coverId, type Cover } from '../../kinds/cover/cover'
import { ofKind } from '../../kinds/documents'
import { containsPoint } from '../../geometry/polygon'
import { type Data } from '../../model/said'
import { type Check } from '../../model/ledger'
import { planOf, type RoofPlane } from '../../roof/plane'
import { askedOf, narrowEdges, type Narrow, type Rules } from '../../setbacks/asked'
import { edgeKeysOf, flatBelowDeg, type Setbacks } from '../../setbacks/edges'
import { obstructionKinds, type RuleSet } from '../../setbacks/rule-set'
import { crossingOf, crossingsIn } from '../../setbacks/crossings'
import { hasPathway, widestPathwayM } from '../../setbacks/pathway'
import { isRoofed, type LaidArray, type Site } from '../../site/site'
import { rulesIn } from '../rules'
import { siteStage } from '../site'
import { coverIn, type World } from '../world'
import { type Account } from './account'
import { plainCheck } from './site'

type Reads = {
  /** Null where none are chosen, 'missing' where those that are chosen are gone. */
  readonly rules: (Rules & Pick<RuleSet, 'id'>) | 'missing' | null
  readonly setbacksM: Cover['setbacksM']
  /** Distances that single edges of an array's plane have of their own. */
  readonly own: Readonly<Record<string, Readonly<Record<string, number>>>>
  /** Strips that are kept around things on the roof. */
  readonly clearances: readonly {
    readonly id: string
    readonly kind: ObstructionKind
    readonly clearanceM: number
  }[]
}
type ObstructionKind = (typeof obstructionKinds)[number]

/** What the rules of setbacks ask against what is drawn. */
export const setbackAccount: Stage<World, Account> = stage({
  name: 'account of setbacks',
  version: 1,
  after: { site: siteStage },
  reads: (world: World): Reads => ({
    rules: readRules(world),
    setbacksM: coverIn(world).setbacksM,
    own: Object.fromEntries(
      ofKind(world.option, 'array').flatMap(({ id, edgesM }) => (edgesM ? [[id, edgesM] as const] : [])),
    ),
    clearances: obstructionKinds.flatMap((kind) =>
      ofKind(world.house, kind).map(({ id, clearanceM }) => ({ id, kind, clearanceM })),
    ),
  }),
  compute: (reads, { site }) => ({ lines: [], checks: checksOf(reads, site) }),
})

function readRules(world: World): Reads['rules'] {
  const rules = rulesIn(world)
  if (!rules) return rules === null ? null : 'missing'
  const { id, edgesM, flatM, crowded, pathways, clearancesM } = rules
  return { id, edgesM, flatM, crowded, pathways, clearancesM }
}

function checksOf({ rules, ...reads }: Reads, site: Site): Check[] {
  if (rules === null) return []
  if (rules === 'missing') return [{ ...plainCheck('rules-missing', 'warning'), objects: [coverId] }]
  const laid = site.arrays.filter(({ margins, panels }) => margins !== null && panels.length > 0)
  const covered = coveredShare(site)
  const said = { rules: { ref: rules.id } }
  return [
    ...edgeChecks(laid, askedOf(rules, covered), reads, said),
    ...clearanceChecks(laid, rules, reads, site, said),
    ...(rules.pathways ? pathwayChecks(laid, rules.pathways, site, said) : []),
  ]
}

const areaM2 = (corners: LaidArray['panels'][number]['corners']): number => {
  const [a, b, , d] = corners
  return Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) * Math.hypot(d[0] - a[0], d[1] - a[1], d[2] - a[2])
}

/** How much of the customer's roofs lies under modules. */
function coveredShare({ objects, arrays }: Site): number {
  const roofM2 = objects
    .filter(isRoofed)
    .flatMap(({ geometry }) => geometry.faces)
    .reduce((sum, face) => sum + face.areaM2, 0)
  const modulesM2 = arrays
    .filter(({ margins }) => margins !== null)
    .flatMap(({ panels }) => panels)
    .reduce((sum, { corners }) => sum + areaM2(corners), 0)
  return roofM2 > 0 ? modulesM2 / roofM2 : 0
}

/** Distances of a kind of edge that all arrays have in common are told of once, those of single edges by themselves. */
function edgeChecks(
  laid: readonly LaidArray[],
  asked: Setbacks,
  { setbacksM, own }: Omit<Reads, 'rules'>,
  said: Data,
): Check[] {
  const shared = new Map<keyof Setbacks, { readonly narrow: Narrow; readonly arrays: readonly string[] }>()
  const single: Check[] = []
  for (const { id, margins } of laid) {
    if (!margins) continue
    const keys = edgeKeysOf(margins.plane)
    const ofArray = own[id] ?? {}
    for (const narrow of narrowEdges(asked, margins.plane, margins.setbacksM)) {
      const key = keys[narrow.edge] ?? ''
      if (ofArray[key] === undefined) {
        const field = fieldOf(setbacksM, asked, margins.plane, narrow)
        const known = shared.get(field)
        // One distance for all of them is as wide as the widest that is asked.
        const widest = known && known.narrow.askedM >= narrow.askedM ? known.narrow : narrow
        shared.set(field, { narrow: widest, arrays: [...(known?.arrays ?? []), id] })
      } else
        single.push(
          edgeCheck(`setback-narrow-${id}-${key.replace(':', '-')}`, narrow, [id], said, {
            id,
            field: 'edgesM',
            value: { ...ofArray, [key]: narrow.askedM },
          }),
        )
    }
  }
  return [
    ...[...shared].map(([field, { narrow, arrays }]) =>
      edgeCheck(`setback-narrow-${field}`, narrow, [...new Set(arrays)], said, {
        id: coverId,
        field: 'setbacksM',
        value: { ...setbacksM, [field]: narrow.askedM },
      }),
    ),
    ...single,
  ]
}

/** The field of the option's setbacks that an edge has its distance from, or would have once it is as asked. */
const fieldOf = (
  kept: Setbacks,
  asked: Setbacks,
  { pitchDeg }: RoofPlane,
  { kind }: Narrow,
): keyof Setbacks =>
  kind !== 'wall' && pitchDeg < flatBelowDeg && (kept.flat !== null || asked.flat !== null) ? 'flat' : kind

const edgeCheck = (
  id: string,
  { kind, keptM, askedM }: Narrow,
  objects: readonly string[],
  said: Data,
  set: NonNullable<Check['remedy']>['set'],
): Check => ({
  id,
  code: 'setback-narrow',
  data: { ...said, edge: kind, kept: { value: keptM, unit: 'm' }, asked: { value: askedM, unit: 'm' } },
  severity: 'broken',
  measured: { figure: keptM, limit: askedM, unit: 'm' },
  objects,
  remedy: { code: 'widen-setback', set },
})

/** Things on a plane with modules that too little room is kept around. */
function clearanceChecks(
  laid: readonly LaidArray[],
  { clearancesM }: Rules,
  { clearances }: Omit<Reads, 'rules'>,
  site: Site,
  said: Data,
): Check[] {
  const covered = laid.flatMap(({ margins }) => (margins ? [planOf(margins.plane.corners)] : []))
  return clearances.flatMap(({ id, kind, clearanceM }): Check[] => {
    const askedM = clearancesM[kind]
    if (clearanceM >= askedM) return []
    const base =
      site.objects.find((object) => object.id === id)?.geometry.keepOuts.flatMap((k) => k.base) ?? []
    if (!base.some((p) => covered.some((plan) => containsPoint(plan, p)))) return []
    return [
      {
        id: `clearance-narrow-${id}`,
        code: 'clearance-narrow',
        data: {
          ...said,
          object: { ref: id },
          kept: { value: clearanceM, unit: 'm' },
          asked: { value: askedM, unit: 'm' },
        },
        severity: 'broken',
        measured: { figure: clearanceM, limit: askedM, unit: 'm' },
        objects: [id],
        remedy: { code: 'widen-clearance', set: { id, field: 'clearanceM', value: askedM } },
      },
    ]
  })
}

/** A pathway beside every array, and on as many planes of the house as are asked for. */
function pathwayChecks(
  laid: readonly LaidArray[],
  { widthM, planes, besideArrays }: NonNullable<Rules['pathways']>,
  site: Site,
  said: Data,
): Check[] {
  const width = { value: widthM, unit: 'm' } as const
  const crossings = crossingsIn(site)
  const checks: Check[] = []
  if (besideArrays)
    for (const array of laid) {
      const there = crossingOf(crossings, array)
      if (!there || hasPathway(there.crossed, widthM) !== false) continue
      const { plane, crossed } = there
      checks.push({
        id: `pathway-beside-${array.id}`,
        code: 'pathway-beside',
        data: { ...said, azimuth: { value: plane.azimuthDeg, unit: 'deg', digits: 0 }, width },
        severity: 'broken',
        measured: { figure: widestPathwayM(crossed, widthM), limit: widthM, unit: 'm' },
        objects: [array.id],
      })
    }
  // Without modules nothing is in anybody's way.
  if (laid.length === 0 || planes === 0) return checks
  const ways = crossings.map(({ crossed }) => hasPathway(crossed, widthM)).filter((way) => way !== null)
  const found = ways.filter(Boolean).length
  // A roof of fewer planes cannot have more.
  const asked = Math.min(planes, ways.length)
  if (found < asked)
    checks.push({
      id: 'pathways-few',
      code: 'pathways-few',
      data: { ...said, found, asked, width },
      severity: 'broken',
      measured: { figure: found, limit: asked, unit: 'count' },
      objects: laid.map(({ id }) => id),
    })
  return checks
}
