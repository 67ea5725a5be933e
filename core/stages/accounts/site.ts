import { stage, type Stage } from '../../graph/stage'
import { ofKind } from '../../kinds/documents'
import { siteId } from '../../kinds/site/site'
import { type Check } from '../../model/ledger'
import { panelsOf, type Panel } from '../../site/site'
import { stationNoteM, stationWarningM } from '../../weather/station'
import { siteStage } from '../site'
import { type StationInfo, type World } from '../world'
import { type Account } from './account'

/** Whether the weather is of the place, and whether what was drawn can be built and covered. */
export const siteAccount: Stage<World, Account> = stage({
  name: 'account of the site',
  version: 2,
  after: { site: siteStage },
  reads: ({ station: { id, distanceM, standsIn }, option }: World) => ({
    station: { id, distanceM, standsIn },
    // Places left empty in rows that were set out by hand: what does not fit there can be left out with one click.
    removed: Object.fromEntries(
      ofKind(option, 'array').flatMap((array) =>
        array.part?.is === 'rows' ? [[array.id, array.removed] as const] : [],
      ),
    ),
  }),
  compute: ({ station, removed }, { site }) => ({
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
        .filter(({ panels, empty, unfit }) => panels.length + empty.length + unfit.length === 0)
        .map(({ id }) => plainCheck('no-fit', 'broken', id)),
      ...site.arrays.flatMap(({ id, places, unfit }): Check[] =>
        unfit.length === 0 ? [] : [unfitCheck(id, places.length, unfit, removed[id] ?? [])],
      ),
      ...(panelsOf(site).length === 0 ? [plainCheck('no-modules', 'note')] : []),
    ],
  }),
})

const unfitCheck = (
  id: string,
  fitting: number,
  unfit: readonly Panel[],
  removed: readonly string[],
): Check => ({
  ...plainCheck('modules-unfit', 'broken', id),
  data: { unfit: unfit.length, places: fitting + unfit.length },
  measured: { figure: unfit.length, limit: 0, unit: 'count' },
  remedy: {
    code: 'leave-empty',
    set: { id, field: 'removed', value: [...removed, ...unfit.map(({ slot }) => slot)] },
  },
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
