import { countedTwice } from '../model/kinds/counted-twice'
import { stationNoteM, stationWarningM } from '../weather/station'
import { type Check } from './explanation'
import { nameOf } from './energy-lines'
import { type PipelineResult } from './pipeline'
import { wireChecks } from './wire-checks'

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
        measured: null,
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
      message: `The sky over ${name} may not be the job’s. Choose another station if one is nearer, in height and coast too, or import weather of the place.`,
      measured: { figure: distanceM, limit: far ? stationWarningM : stationNoteM, unit: 'm' },
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
    measured: null,
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
      measured: null,
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
        measured: null,
        objects: [array.id],
      })
  if (count === 0)
    checks.push({
      id: 'no-modules',
      chapter: 'cover',
      severity: 'note',
      title: 'No modules yet',
      message: 'Choose “Lay on plane” and click a roof plane.',
      measured: null,
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
        measured: { figure: share, limit: 0, unit: 'share' },
        objects: [losses.id],
        remedy: {
          label: 'Take the entered one away',
          set: { id: losses.id, field: 'other', value: losses.other.filter((_, i) => i !== k) },
        },
      },
    ]
  })
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
      measured: null,
      objects: ['load'],
    })
  if (count > 0 && money.paybackYears === null)
    checks.push({
      id: 'no-payback',
      chapter: 'offer',
      severity: 'warning',
      title: 'Not paid back',
      message: `What is spent has not come back after ${money.years.length} years. Look at the price, the tariff and how much is used at home.`,
      measured: { figure: money.cumulative.at(-1) ?? 0, limit: 0, unit: 'money' },
      objects: ['offer'],
    })
  return checks
}
