import { type Check } from './explanation'
import { type PipelineResult } from './pipeline'

/** Module to AC power under which an inverter idles and over which it clips much; common practice, not a rule. */
const lowDcAc = 0.8
/** Clipping worth a word, as a share of the yield. */
const muchClipping = 0.03

/** Whether strings and inverter fit each other: volts, amperes, inputs and power. */
export function wireChecks(result: PipelineResult): Check[] {
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
        measured: { figure: cold, limit: inverter.highestV, unit: 'V' },
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
        measured: { figure: peak, limit: inverter.mppHighV, unit: 'V' },
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
        measured: { figure: hot, limit: floor, unit: 'V' },
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
      measured: {
        figure: wiring.strings.length,
        limit: inverter.mppInputs * inverter.stringsPerInput,
        unit: 'count',
      },
      objects: without.flatMap((string) => string.panelIds),
    })
  if (module.iscA > inverter.inputCurrentA)
    checks.push({
      id: 'current',
      chapter: 'wire',
      severity: 'broken',
      title: 'Current over the input’s limit',
      message: `${module.name} gives ${module.iscA} A short-circuited; an input of ${inverter.name} takes ${inverter.inputCurrentA} A.`,
      measured: { figure: module.iscA, limit: inverter.inputCurrentA, unit: 'A' },
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
      measured: {
        figure: ratio,
        limit: ratio > inverter.highestDcAc ? inverter.highestDcAc : lowDcAc,
        unit: 'ratio',
      },
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
      measured: { figure: clipped, limit: muchClipping, unit: 'share' },
      objects: [],
    })
  return checks
}
