import { stage, type Stage } from '../../graph/stage'
import { siteId } from '../../kinds/site/site'
import { type Check } from '../../model/ledger'
import { panelsOf } from '../../site/site'
import { stationNoteM, stationWarningM } from '../../weather/station'
import { siteStage } from '../site'
import { type StationInfo, type World } from '../world'
import { type Account } from './account'

/** Whether the weather is of the place, and whether what was drawn can be built and covered. */
export const siteAccount: Stage<World, Account> = stage({
  name: 'account of the site',
  version: 1,
  after: { site: siteStage },
  reads: ({ station: { id, distanceM, standsIn } }: World) => ({ station: { id, distanceM, standsIn } }),
  compute: ({ station }, { site }) => ({
    lines: [],
    checks: [
      ...stationChecks(station),
      ...site.faults.map(({ id, fault }): Check => ({
        id: `not-built-${id}`,
        code: 'not-built',
        data: { object: { ref: id }, why: { code: fault.code, data: fault.data } },
        severity: 'broken',
        measured: null,
        objects: [id],
      })),
      ...site.objects.flatMap(({ id, geometry: { presetM } }): Check[] =>
        presetM === null ? [] : [presetCheck(id, presetM)],
      ),
      ...site.orphaned.map((id) => plainCheck('orphaned', 'broken', id)),
      ...site.arrays
        .filter(({ panels, empty }) => panels.length + empty.length === 0)
        .map(({ id }) => plainCheck('no-fit', 'broken', id)),
      ...(panelsOf(site).length === 0 ? [plainCheck('no-modules', 'note')] : []),
    ],
  }),
})

const presetCheck = (id: string, heightM: number): Check => ({
  ...plainCheck('preset-height', 'note', id),
  data: { object: { ref: id }, height: { value: heightM, unit: 'm' } },
})

/** A check with nothing to measure. */
export const plainCheck = (code: Check['code'], severity: Check['severity'], object?: string): Check => ({
  id: object === undefined ? code : `${code}-${object}`,
  code,
  data: {},
  severity,
  measured: null,
  objects: object === undefined ? [] : [object],
})

function stationChecks({
  id,
  distanceM,
  standsIn,
}: Pick<StationInfo, 'id' | 'distanceM' | 'standsIn'>): Check[] {
  const station = { ref: id }
  if (standsIn)
    return [
      {
        ...plainCheck('weather-missing', 'warning'),
        data: { station },
        objects: [siteId],
        remedy: { code: 'nearest-station', set: { id: siteId, field: 'stationId', value: null } },
      },
    ]
  if (distanceM <= stationNoteM) return []
  const far = distanceM > stationWarningM
  return [
    {
      ...plainCheck('station-far', far ? 'warning' : 'note'),
      data: { station },
      measured: { figure: distanceM, limit: far ? stationWarningM : stationNoteM, unit: 'm' },
      objects: [siteId],
    },
  ]
}
