import { type PlanLabels } from '@/core/papers/roof-plan'
import { type ModuleType } from '@/core/electrical/catalogue'
import { panelsOf, type Site } from '@/core/site/site'
import { isLevel } from './direction'
import { plan } from './en/plan'
import { paperOf } from './format'
import { type Sayer } from './sayer'

/** What a roof plan of a job's option says. */
export function planLabels(
  sayer: Sayer,
  site: Site,
  module: ModuleType,
  about: { readonly address: string; readonly option: string; readonly locale: string },
): PlanLabels {
  const count = panelsOf(site).length
  const power = { value: (count * module.powerW) / 1000, unit: 'kW', digits: 2 } as const
  const degrees = (value: number, digits: number) => ({ value, unit: 'deg', digits }) as const
  return {
    title: plan.title,
    heading: [
      `${about.address} · ${about.option}`,
      sayer.say(plan.modules, { count, module: module.name, power }),
    ],
    scale: (scale) => sayer.say(plan.scale, { scale: String(scale), paper: paperOf(about.locale) }),
    north: plan.north,
    array: ({ id, panels, plane }) => {
      const other = site.faces.filter((face) => face.id === id)[1]?.plane
      return sayer.say(other ? plan.arrayFacingBoth : isLevel(plane) ? plan.array : plan.arrayFacing, {
        count: panels.length,
        power: { value: module.powerW, unit: 'W' },
        tilt: degrees(plane.pitchDeg, 1),
        azimuth: degrees(plane.azimuthDeg, 0),
        other: degrees(other?.azimuthDeg ?? 0, 0),
      })
    },
  }
}
