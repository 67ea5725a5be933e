import { snowAlbedo } from '../../energy/plane-light'
import { stage, type Stage } from '../../graph/stage'
import { type Term } from '../../model/ledger'
import { glassAr } from '../../sun/incidence-loss'
import { sampleGrid } from '../../shade/sample-grid'
import { type Alteration } from '../../kinds/alteration/alteration'
import { alterationsIn } from '../alterations'
import { lossChainStage } from '../loss-chain'
import { planeLightStage } from '../plane-light'
import { readingPlacesIn } from '../readings'
import { shadeBillStage } from '../shade-bill'
import { siteStage } from '../site'
import { fieldsOf, moduleIn, siteIn, type World } from '../world'
import { energyLine, lossLine, term, type Account } from './account'

/** From the sun to the light in the modules. */
export const lightAccount: Stage<World, Account> = stage({
  name: 'account of light',
  version: 2,
  after: {
    chain: lossChainStage,
    site: siteStage,
    light: planeLightStage,
    bill: shadeBillStage,
  },
  reads: (world: World) => ({
    module: fieldsOf(moduleIn(world), 'powerW', 'strips', 'halves'),
    station: fieldsOf(world.station, 'id', 'distanceM'),
    readings: readingPlacesIn(world).length,
    alterations: alterationsIn(world).map(({ alteration }) =>
      fieldsOf(alteration, 'of', 'what', 'heightM', 'years'),
    ),
    albedoByMonth: siteIn(world).albedoByMonth,
    skyModel: siteIn(world).skyModel,
    albedoMeasured: world.weather.value.albedo !== null,
    snowKnown: world.weather.value.snowDepthM !== null,
  }),
  compute: (reads, { chain, site, light, bill }) => {
    const planes = site.faces.map(({ panels, tracker, plane }, a): Term => {
      const parts = light[a]?.value.parts ?? { beam: 0, sky: 0, ground: 0 }
      const value = { value: parts.beam + parts.sky + parts.ground, unit: 'kWh/m²', digits: 0 } as const
      const modules = panels.length
      return tracker
        ? { code: 'plane-turning', data: { modules }, value }
        : {
            code: 'plane-fixed',
            data: {
              modules,
              tilt: { value: plane.pitchDeg, unit: 'deg', digits: 0 },
              azimuth: { value: plane.azimuthDeg, unit: 'deg', digits: 0 },
            },
            value,
          }
    })
    const [low, high] = [Math.min(...reads.albedoByMonth), Math.max(...reads.albedoByMonth)]
    const albedo: Term = reads.albedoMeasured
      ? { code: 'albedo-measured', value: '' }
      : {
          code: 'albedo',
          value: low === high ? low : { code: 'range', data: { low, high } },
          ...(reads.snowKnown ? { note: { code: 'on-snow', data: { albedo: snowAlbedo } } } : {}),
        }
    const turning = site.arrays.some(({ tracker }) => tracker !== null)
    return {
      checks: [],
      lines: [
        energyLine(
          'sun-on-modules',
          chain.sun.kwh,
          'line',
          {
            formula: { code: 'sun-on-modules' },
            inputs: [
              ...planes,
              term('rated-power', reads.module.powerW, 'W', 0),
              {
                code: 'weather',
                value: { ref: reads.station.id },
                note: { code: 'away', data: { distance: { value: reads.station.distanceM, unit: 'm' } } },
              },
              albedo,
            ],
            sources: [
              { code: 'reda-andreas-2004' },
              { code: reads.skyModel === 'perez' ? 'perez-1990' : 'hay-davies-1980' },
            ],
            assumptions: [{ code: 'typical-year' }, { code: 'whole-foreground' }],
          },
          site.arrays.map(({ id }) => id),
        ),
        lossLine('reflection', chain.lost.reflection.kwh, {
          formula: { code: 'reflection' },
          inputs: [{ code: 'glass', value: glassAr }],
          sources: [{ code: 'martin-ruiz-2001' }],
          assumptions: [{ code: 'clean-glass' }],
        }),
        lossLine(
          'shade',
          chain.lost.shade.kwh,
          {
            formula: { code: 'shade' },
            inputs: [
              ...bill.casters.map(({ id, kwh, skyKwh }): Term => ({
                code: 'caster',
                data: { caster: { ref: id } },
                value: { value: kwh, unit: 'kWh', digits: 0 },
                note: { code: 'of-the-sky', data: { sky: { value: skyKwh, unit: 'kWh', digits: 0 } } },
              })),
              ...reads.alterations.map(alteredTerm),
            ],
            sources: [
              {
                code: 'shadows-on-points',
                data: {
                  points: sampleGrid({ strips: reads.module.strips, halves: reads.module.halves }).points,
                },
              },
            ],
            assumptions: [
              ...(reads.readings > 0
                ? [{ code: 'shade-by-readings', data: { count: reads.readings } } as const]
                : [{ code: 'crowns-by-month' } as const]),
              { code: 'no-default-shade' },
              ...(turning ? [{ code: 'turning-at-rest' } as const] : []),
            ],
          },
          bill.casters.map(({ id }) => id),
        ),
      ],
    }
  },
})

/** What the option tries with something of the house, as an input of its shade. */
function alteredTerm({
  of,
  what,
  heightM,
  years,
}: Pick<Alteration, 'of' | 'what' | 'heightM' | 'years'>): Term {
  const caster = { ref: of }
  if (what === 'gone') return { code: 'taken-away', data: { caster }, value: '' }
  if (what === 'grown') return { code: 'grown-for', data: { caster, years }, value: '' }
  const height = { value: heightM, unit: 'm', digits: 1 } as const
  return { code: 'trimmed-to', data: { caster, height }, value: '' }
}
