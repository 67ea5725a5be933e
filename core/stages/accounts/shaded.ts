import { type PanelLight } from '../../energy/panel-light'
import { type Keyed } from '../../graph/keyed'
import { stage, type Stage } from '../../graph/stage'
import { usualSunAccess } from '../../kinds/cover/cover'
import { kindOf } from '../../kinds/index'
import { type Check } from '../../model/ledger'
import { type Panel } from '../../site/site'
import { panelLightStage } from '../panel-light'
import { siteStage } from '../site'
import { coverIn, type World } from '../world'
import { type Account } from './account'

/** Modules in too much shade, array by array. */
export const shadedAccount: Stage<World, Account> = stage({
  name: 'account of shaded modules',
  version: 1,
  after: { site: siteStage, light: panelLightStage },
  reads: (world: World) => ({
    limit: coverIn(world).leastSunAccess ?? usualSunAccess,
    removed: removedIn(world),
  }),
  compute: ({ limit, removed }, { site, light }) => {
    let first = 0
    return {
      lines: [],
      checks: site.arrays.flatMap(({ id, panels }): Check[] => {
        const lights = light.slice(first, (first += panels.length))
        const dim = dimIn(panels, lights, limit)
        const [worst] = dim
        if (!worst) return []
        return [
          {
            id: `shaded-modules-${id}`,
            code: 'shaded-modules',
            data: {
              modules: dim.length,
              limit: { value: limit, unit: 'share', digits: 0 },
              worst: { value: worst.access, unit: 'share', digits: 0 },
              caster: { ref: worst.caster },
            },
            severity: 'warning',
            measured: { figure: worst.access, limit, unit: 'share' },
            objects: [id, ...dim.map(({ panel }) => panel.id)],
            remedy: {
              code: 'drop-shaded',
              set: {
                id,
                field: 'removed',
                value: [...(removed[id] ?? []), ...dim.map(({ panel }) => panel.slot)],
              },
            },
          },
        ]
      }),
    }
  },
})

/** Places that are left empty, by the object that carries them. */
function removedIn({ house, option }: World): Readonly<Record<string, readonly string[]>> {
  return Object.fromEntries(
    [...Object.values(house), ...Object.values(option)].flatMap((object) => {
      const carrier = kindOf(object).standing?.carrier
      return carrier ? [[object.id, carrier.removed(object)] as const] : []
    }),
  )
}

interface Dim {
  readonly panel: Panel
  readonly access: number
  /** What takes most from it. */
  readonly caster: string
}

/** Modules under the limit, the darkest first. */
function dimIn(panels: readonly Panel[], lights: readonly Keyed<PanelLight>[], limit: number): Dim[] {
  return panels
    .flatMap((panel, i): Dim[] => {
      const light = lights[i]?.value
      if (!light || light.unshadedKwhM2 <= 0) return []
      const access = light.meanKwhM2 / light.unshadedKwhM2
      const caster = worstOf(light)
      // What nothing shades has all its light, whatever rounding leaves of it.
      return access < limit && caster !== null ? [{ panel, access, caster }] : []
    })
    .sort((a, b) => a.access - b.access)
}

const worstOf = ({ lostTo }: PanelLight): string | null =>
  lostTo.reduce<{ caster: string; lost: number } | null>((most, { caster, beamKwhM2, skyKwhM2 }) => {
    const lost = beamKwhM2 + skyKwhM2
    return lost > (most?.lost ?? 0) ? { caster, lost } : most
  }, null)?.caster ?? null
