import { countedTwice } from '../model/kinds/counted-twice'
import { stationNoteM, stationWarningM } from '../weather/station'
import { type Check } from './explanation'
import { nameOf } from './energy-lines'
import { type PipelineResult } from './pipeline'

/** Module to AC power under which an inverter idles and over which it clips much; common practice, not a rule. */
const lowDcAc = 0.8
/** Clipping worth a word, as a share of the yield. */
const muchClipping = 0.03

/** All rules that are broken or worth a word, each with its figure and limit. */
export function checksOf(result: PipelineResult): Check[] {
  return [
    ...siteChecks(result),
    ...shapeChecks(result),
    ...coverChecks(result),
    ...wireChecks(result),
    ...lossChecks(result),
    ...matchChecks(result),
  ]
}

function siteChecks({ input }: PipelineResult): Check[] {
  const { distanceM, name, standsIn } = input.station
  if (standsIn)
    return [
      {
        id: 'weather-missing',
        chapter: 'site',
        severity: 'warning',
        title: 'Imported weather is not at hand',
        message: `The weather file this job was designed with is not here: ${name} stands in. Import the file again, or choose a station.`,
        figure: 0,
        limit: 1,
        unit: 'count',
        objects: ['site'],
        remedy: { label: 'Take the nearest station', set: { id: 'site', field: 'stationId', value: null } },
      },
    ]
  if (distanceM <= stationNoteM) return []
  const far = distanceM > stationWarningM
  return [
    {
      id: 'station-far',
      chapter: 'site',
      severity: far ? 'warning' : 'note',
      title: 'Weather station is far',
      message: `${name} is ${(distanceM / 1000).toFixed(0)} km away: its sky may not be the job’s. Choose another station if one is nearer in height or coast.`,
      figure: distanceM,
      limit: far ? stationWarningM : stationNoteM,
      unit: 'm',
      objects: ['site'],
    },
  ]
}

function shapeChecks(result: PipelineResult): Check[] {
  return result.roofFaults.map(({ volumeId, fault }) => ({
    id: `roof-${volumeId}`,
    chapter: 'shape' as const,
    severity: 'broken' as const,
    title: `${nameOf(result, volumeId)} has no roof`,
    message: fault.message,
    figure: 0,
    limit: 1,
    unit: 'count' as const,
    objects: [volumeId],
  }))
}

function coverChecks({ laid, count }: PipelineResult): Check[] {
  const checks: Check[] = []
  for (const id of laid.homeless)
    checks.push({
      id: `homeless-${id}`,
      chapter: 'cover',
      severity: 'broken',
      title: 'An array has lost its plane',
      message:
        'The roof plane under this array is gone, so its modules are not counted. Lay them again, or take the array away.',
      figure: 0,
      limit: 1,
      unit: 'count',
      objects: [id],
    })
  for (const array of laid.arrays)
    if (array.panels.length + array.empty.length === 0)
      checks.push({
        id: `nofit-${array.id}`,
        chapter: 'cover',
        severity: 'broken',
        title: 'No module fits',
        message:
          'Within the setbacks no module of this size fits this plane. Choose a smaller one, turn it, or change the setbacks.',
        figure: 0,
        limit: 1,
        unit: 'count',
        objects: [array.id],
      })
  if (count === 0)
    checks.push({
      id: 'no-modules',
      chapter: 'cover',
      severity: 'note',
      title: 'No modules yet',
      message: 'Choose “Lay on plane” and click a roof plane.',
      figure: 0,
      limit: 1,
      unit: 'count',
      objects: [],
    })
  return checks
}

/** A loss of the designer's own that is computed already. */
function lossChecks({ losses }: PipelineResult): Check[] {
  return losses.other.flatMap(({ name, share }, k): Check[] => {
    const model = countedTwice(name)
    if (model === null || share === 0) return []
    return [
      {
        id: `twice-${k}`,
        chapter: 'wire',
        severity: 'warning',
        title: `“${name}” counts twice`,
        message: `The ledger computes ${model} already: with this entered loss it is taken a second time.`,
        figure: share,
        limit: 0,
        unit: 'share',
        objects: [losses.id],
        remedy: {
          label: 'Take the entered one away',
          set: { id: losses.id, field: 'other', value: losses.other.filter((_, i) => i !== k) },
        },
      },
    ]
  })
}

function wireChecks(result: PipelineResult): Check[] {
  const { wiring, inverter, count, powerW, ac, electrical, site, module } = result
  if (count === 0) return []
  const checks: Check[] = []
  const automatic = {
    label: 'String automatically',
    set: { id: electrical.id, field: 'modulesPerString', value: null },
  }
  for (const string of wiring.strings) {
    const n = string.panelIds.length
    const cold = n * wiring.window.coldVocV
    const hot = n * wiring.window.hotVmpV
    if (cold > inverter.highestV)
      checks.push({
        id: `cold-${string.id}`,
        chapter: 'wire',
        severity: 'broken',
        title: `${string.id}: too many modules`,
        message: `${n} modules reach ${cold.toFixed(0)} V open at ${site.lowestTemperatureC} °C; ${inverter.name} stands ${inverter.highestV} V, which is ${wiring.window.mostStanding} modules.`,
        figure: cold,
        limit: inverter.highestV,
        unit: 'V',
        objects: string.panelIds,
        remedy: automatic,
      })
    const peak = n * wiring.window.coldVmpV
    if (peak > inverter.mppHighV && cold <= inverter.highestV)
      checks.push({
        id: `peak-${string.id}`,
        chapter: 'wire',
        severity: 'warning',
        title: `${string.id}: over the MPPT window`,
        message: `${n} modules work best at ${peak.toFixed(0)} V in the cold; ${inverter.name} follows up to ${inverter.mppHighV} V, which is ${wiring.window.most} modules. Beyond it power is lost on cold, clear days.`,
        figure: peak,
        limit: inverter.mppHighV,
        unit: 'V',
        objects: string.panelIds,
        remedy: automatic,
      })
    const floor = Math.max(
      inverter.mppLowV,
      inverter.startV * (wiring.window.hotVmpV / wiring.window.coldVocV),
    )
    if (hot < floor)
      checks.push({
        id: `hot-${string.id}`,
        chapter: 'wire',
        severity: 'broken',
        title: `${string.id}: too few modules`,
        message: `${n} modules give ${hot.toFixed(0)} V in the heat; ${inverter.name} needs ${floor.toFixed(0)} V, which is ${wiring.window.fewest} modules.`,
        figure: hot,
        limit: floor,
        unit: 'V',
        objects: string.panelIds,
        remedy: automatic,
      })
  }
  const without = wiring.strings.filter((string) => string.input < 0)
  if (without.length > 0)
    checks.push({
      id: 'inputs',
      chapter: 'wire',
      severity: 'broken',
      title: 'More strings than inputs',
      message: `${wiring.strings.length} strings on separate planes need more than the ${inverter.mppInputs} inputs of ${inverter.name}. ${without.map((string) => string.id).join(', ')} (${without.reduce((sum, string) => sum + string.panelIds.length, 0)} modules) hang on none and yield nothing. Choose an inverter with more inputs, or use fewer planes.`,
      figure: wiring.strings.length,
      limit: inverter.mppInputs * inverter.stringsPerInput,
      unit: 'count',
      objects: without.flatMap((string) => string.panelIds),
    })
  if (module.iscA > inverter.inputCurrentA)
    checks.push({
      id: 'current',
      chapter: 'wire',
      severity: 'broken',
      title: 'Current over the input’s limit',
      message: `${module.name} gives ${module.iscA} A short-circuited; an input of ${inverter.name} takes ${inverter.inputCurrentA} A.`,
      figure: module.iscA,
      limit: inverter.inputCurrentA,
      unit: 'A',
      objects: [],
    })
  const ratio = powerW / inverter.acPowerW
  if (ratio > inverter.highestDcAc || ratio < lowDcAc)
    checks.push({
      id: 'dc-ac',
      chapter: 'wire',
      severity: ratio > inverter.highestDcAc ? 'broken' : 'note',
      title:
        ratio > inverter.highestDcAc ? 'Too many modules for the inverter' : 'Inverter larger than needed',
      message: `Modules of ${(powerW / 1000).toFixed(2)} kW on ${(inverter.acPowerW / 1000).toFixed(2)} kW AC.`,
      figure: ratio,
      limit: ratio > inverter.highestDcAc ? inverter.highestDcAc : lowDcAc,
      unit: 'ratio',
      objects: [],
    })
  const clipped = ac.kwh > 0 ? ac.clippedKwh / ac.kwh : 0
  if (clipped > muchClipping)
    checks.push({
      id: 'clipping',
      chapter: 'wire',
      severity: 'warning',
      title: 'Much is clipped',
      message: `${ac.clippedKwh.toFixed(0)} kWh a year pass the inverter’s power and are lost.`,
      figure: clipped,
      limit: muchClipping,
      unit: 'share',
      objects: [],
    })
  return checks
}

function matchChecks({ load, money, count }: PipelineResult): Check[] {
  const checks: Check[] = []
  if (load.annualKwh === 0)
    checks.push({
      id: 'no-load',
      chapter: 'match',
      severity: 'warning',
      title: 'No consumption entered',
      message: 'Without it everything is sold. Enter the year’s total from a bill.',
      figure: 0,
      limit: 1,
      unit: 'kWh',
      objects: ['load'],
    })
  if (count > 0 && money.paybackYears === null)
    checks.push({
      id: 'no-payback',
      chapter: 'offer',
      severity: 'warning',
      title: 'Not paid back',
      message: `After ${money.years.length} years ${(-(money.cumulative.at(-1) ?? 0)).toFixed(0)} are still missing.`,
      figure: money.cumulative.at(-1) ?? 0,
      limit: 0,
      unit: 'money',
      objects: ['offer'],
    })
  return checks
}
