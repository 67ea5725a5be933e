import { figuresOf } from '@/core/diagram/figures'
import { ofKind, theOne } from '@/core/kinds/documents'
import { siteId, type Site } from '@/core/kinds/site/site'
import { type Listed } from '@/core/papers/binder'
import { type Plate } from '@/core/papers/plates'
import { type PermitText, type TablesText } from '@/core/papers/sets'
import { type Table } from '@/core/papers/tables'
import { stringOptimizerOf } from '@/core/parts/parts-list'
import { permitLines, rulesOf, type PaperFacts, type PermitLine } from '@/core/readers/papered'
import { holdingRows, worstLoads } from '@/core/readers/structure-table'
import { looksOf } from '../direction'
import { roofCoverings } from '../en/card-choices'
import { diagram } from '../en/diagram'
import { papers as words } from '../en/papers'
import { structure } from '../en/structure'
import { type Sayer } from '../sayer'
import { cablesDrawn, commonWords, contractorLine, facts, of, systemRows } from './common'
import { dataTables } from './data-tables'

/** All that a permit set says, as people at the job write it. */
export function permitText(sayer: Sayer, given: PaperFacts): PermitText {
  return {
    ...commonWords(sayer, given),
    cover: {
      title: words.cover,
      tables: coverTables(sayer, given),
      list: listTable,
      vicinity: (scale) => sayer.say(words.vicinity, { scale: String(scale) }),
    },
    checklist: checklist(sayer, given),
    sitePlan: { title: words.sitePlan, note: lotNote(sayer, given), cables: cablesDrawn(given.built) },
    structure: structural(sayer, given),
    plates: { title: words.labels, all: plates(sayer, given) },
    dataSheets: { title: words.dataSheets, tables: dataTables(sayer, given) },
  }
}

/** Where the lot lines of the site plan are from. */
function lotNote(sayer: Sayer, { house }: PaperFacts): string {
  const lots = ofKind(house, 'lot')
  const sources = [...new Set(lots.map(({ source }) => sayer.words.lotSources[source]))]
  return lots.length === 0 ? words.siteNote : sayer.say(words.lotNote, { sources: sources.join(', ') })
}

/** What an item is called: what is not known here by the authority's own words. */
export const itemName = ({ item }: PermitLine): string =>
  (words.items as Readonly<Record<string, string>>)[item] ?? item

/** What is to be done about an item, in words. */
export const toDo = (sayer: Sayer, { item, state, count }: PermitLine): string => {
  const { inPart } = words
  if (state === 'by-hand')
    return Object.hasOwn(inPart, item) ? inPart[item as keyof typeof inPart] : words.byHandNote
  if (state !== 'missing') return ''
  const { missing } = words
  return Object.hasOwn(missing, item) ? sayer.say(missing[item as keyof typeof missing], { count }) : ''
}

function coverTables(sayer: Sayer, given: PaperFacts): Table[] {
  const { house, built, station, contractor } = given
  const site = theOne(house, 'site', siteId)
  const [permit] = ofKind(house, 'permit')
  const rules = rulesOf(given)
  const entered = (text: string) => (text.trim() === '' ? words.unknown : text)
  const listed = (texts: readonly string[]) => entered(texts.filter((text) => text !== '').join(', '))
  const degrees = (value: number) => `${value.toFixed(5)}°`
  return [
    facts(words.project, [
      [words.address, entered(site.address)],
      [words.position, `${degrees(site.latitudeDeg)}, ${degrees(site.longitudeDeg)}`],
      [words.applicant, listed([site.contactName, site.contactPhone, site.contactEmail])],
      [words.contractor, contractor ? contractorLine(sayer, contractor, words.noLicence) : words.unknown],
      [words.authority, entered(permit?.authority ?? '')],
      [words.file, entered(permit?.number ?? '')],
      [words.rules, rules === null ? words.unknown : `${rules.name}, ${rules.authority}`],
    ]),
    facts(words.system, systemRows(sayer, given)),
    facts(words.designValues, [
      [
        words.service,
        sayer.say(diagram.phases, {
          phases: built.grid.gridPhases,
          volts: of(built.grid.gridVoltageV, 'V', 0),
        }),
      ],
      [words.exportLimit, exportLimits(sayer, site)],
      [words.coldest, sayer.written(of(site.lowestTemperatureC, '°C', 0))],
      [words.hottest, sayer.written(of(site.highestTemperatureC, '°C', 0))],
      [
        words.wind,
        sayer.say(words.windValue, {
          speed: site.windMs,
          mean: structure.windMeans[site.windMean],
          terrain: structure.terrains[site.terrain],
        }),
      ],
      [words.snow, sayer.written(of(site.snowLoadKpa, 'kN/m²'))],
      [words.covering, roofCoverings[site.roofCovering]],
      [words.rafters, sayer.written(of(site.rafterSpacingM, 'm'))],
      [
        words.reserve,
        site.roofReserveKpa === null ? words.unknown : sayer.written(of(site.roofReserveKpa, 'kN/m²')),
      ],
      ...(station === null
        ? []
        : [
            [
              words.station,
              sayer.say(words.stationValue, {
                name: station.name,
                distance: of(station.distanceM, 'm', 0),
              }),
            ] satisfies [string, string],
          ]),
    ]),
  ]
}

/** The sheets of a set. */
export const listTable = (list: readonly Listed[]): Table => ({
  title: words.list,
  columns: [
    { head: words.sheet, share: 1 },
    { head: words.sheetTitle, share: 5 },
  ],
  rows: list.map(({ number, title }) => [String(number), title]),
})

function checklist(sayer: Sayer, given: PaperFacts): TablesText {
  const lines = permitLines(given)
  const rules = rulesOf(given)
  const open = lines.filter(({ state }) => state === 'missing').length
  return {
    title: words.checklist,
    tables: [
      {
        title: rules ? sayer.say(words.asks, { authority: rules.authority || rules.name }) : words.asksUsual,
        columns: [
          { head: '', share: 0.4, as: 'tick' },
          { head: words.item, share: 4 },
          { head: words.standing, share: 2 },
          { head: words.todo, share: 5 },
        ],
        rows: lines.map((line) => [
          line.state === 'in-set' || line.state === 'there' ? 'x' : '',
          itemName(line),
          words.state[line.state],
          toDo(sayer, line),
        ]),
        note: sayer.say(words.outstanding, { count: open }),
      },
    ],
  }
}

function structural(sayer: Sayer, { built }: PaperFacts): TablesText {
  const rows = holdingRows(built.holdings)
  const { windKpa, zones } = worstLoads(built.holdings)
  const kpa = (value: number) => sayer.written(of(value, 'kN/m²'))
  const metres = (value: number) => sayer.written(of(value, 'm', 2))
  const arrayOf = (id: string) => built.site.arrays.find((array) => array.id === id)
  const arrayName = (id: string) => {
    const array = arrayOf(id)
    return array ? `${sayer.name(id)}, ${looksOf(array.plane, sayer.words)}` : sayer.name(id)
  }
  const rails = built.holdings.flatMap((holding) =>
    holding.is === 'rails' ? [{ id: holding.arrayId, all: holding.rails }] : [],
  )
  return {
    title: words.structure,
    tables: [
      {
        title: words.arrays,
        columns: [
          { head: words.array, share: 3 },
          { head: words.modules, share: 1, as: 'figures' },
          { head: words.mounting, share: 3 },
          { head: words.attachments, share: 2, as: 'figures' },
          { head: words.most, share: 3, as: 'figures' },
          { head: words.weight, share: 2, as: 'figures' },
          { head: words.load, share: 2, as: 'figures' },
        ],
        rows: rows.map(({ arrayId, mounting, feet, blocks, most, weightKg, deadKpa }) => [
          arrayName(arrayId),
          sayer.written(of(arrayOf(arrayId)?.panels.length ?? 0, 'count')),
          mounting.name,
          sayer.written(of(feet ?? blocks ?? 0, 'count')),
          sayer.say(structure.sides[most.side], {
            figure: most.side === 'blocks' ? of(most.figure, 'count') : of(most.figure, 'kN', 2),
            limit: most.side === 'blocks' ? of(most.limit, 'count') : of(most.limit, 'kN', 2),
          }),
          sayer.written(of(weightKg, 'kg', 0)),
          kpa(deadKpa),
        ]),
        note: rows.length === 0 ? structure.unsuitable : '',
      },
      ...(rails.length === 0
        ? []
        : [
            {
              title: words.rails,
              columns: [
                { head: words.array, share: 3 },
                { head: words.span, share: 2, as: 'figures' },
                { head: words.spanLimit, share: 2, as: 'figures' },
                { head: words.overhang, share: 2, as: 'figures' },
                { head: words.overhangLimit, share: 2, as: 'figures' },
              ],
              rows: rails.flatMap(({ id, all }) => {
                const span = nearest(all.map((rail) => [rail.spanM, rail.spanLimitM]))
                const over = nearest(all.map((rail) => [rail.overhangM, rail.overhangLimitM]))
                return [[arrayName(id), metres(span[0]), metres(span[1]), metres(over[0]), metres(over[1])]]
              }),
            } satisfies Table,
          ]),
      ...(zones.length === 0
        ? []
        : [
            {
              title: words.pressures,
              columns: [
                { head: words.zone, share: 2 },
                { head: words.uplift, share: 2, as: 'figures' },
                { head: words.down, share: 2, as: 'figures' },
              ],
              rows: zones.map(({ zone, upKpa, downKpa }) => [
                structure.zones[zone],
                kpa(upKpa),
                kpa(downKpa),
              ]),
              note: windKpa === null ? '' : `${words.windPressure}: ${kpa(windKpa)}.`,
            } satisfies Table,
          ]),
      { title: '', columns: [], rows: [], note: structure.note },
    ],
  }
}

/** Of figures with their limits the one that comes nearest to its own. */
const nearest = (pairs: readonly (readonly [number, number])[]): readonly [number, number] =>
  pairs.reduce<readonly [number, number]>(
    (worst, pair) => (worst[1] === 0 || pair[0] / pair[1] > worst[0] / worst[1] ? pair : worst),
    [0, 0],
  )

function plates(sayer: Sayer, { built, volts }: PaperFacts): Plate[] {
  const { inputs, branches, each } = figuresOf(built, volts)
  if (inputs.length + branches.length === 0) return []
  const hasDc = inputs.length > 0
  const coldV = Math.max(...inputs.map((input) => input.coldV))
  // What an optimizer may put out is its greatest current; bright sun adds a quarter to a module's (NFPA 70-2023, 690.8).
  const bright = stringOptimizerOf(built) ? 1 : 1.25
  const currentA = Math.max(...inputs.map((input) => input.currentA)) * bright
  const red = { colour: words.onRed }
  const orange = { colour: words.onOrange }
  const { battery } = built
  return [
    // Behind microinverters there is no direct current to open.
    ...(hasDc
      ? [
          {
            title: words.plateDc,
            lines: [
              sayer.say(words.plateDcVolts, { volts: of(coldV, 'V', 0) }),
              sayer.say(words.plateDcCurrent, { current: of(currentA, 'A', 1) }),
            ],
            where: sayer.say(words.plateDcWhere, red),
          },
        ]
      : []),
    {
      title: words.plateAc,
      lines: [
        sayer.say(words.plateAcCurrent, { current: of(each.currentA, 'A', 1) }),
        sayer.say(words.plateAcVolts, { volts: of(built.grid.gridVoltageV, 'V', 0) }),
      ],
      where: sayer.say(words.plateAcWhere, red),
    },
    {
      title: words.warning,
      lines: [battery ? words.plateDualBattery : words.plateDual],
      where: sayer.say(words.plateDualWhere, orange),
    },
    { title: words.warning, lines: [words.plateLive], where: sayer.say(words.plateLiveWhere, orange) },
    ...(hasDc
      ? [
          {
            title: words.caution,
            lines: [words.plateRoute, words.plateRouteLine],
            where: sayer.say(words.plateRouteWhere, red),
          },
        ]
      : []),
    ...(battery
      ? [
          {
            title: words.plateBattery,
            lines: [
              battery.type.name,
              sayer.say(words.plateBatteryLine, {
                energy: of(battery.count * battery.type.usableKwh, 'kWh', 1),
                power: of(battery.count * battery.type.dischargeKw, 'kW', 1),
              }),
            ],
            where: sayer.say(words.plateBatteryWhere, orange),
          },
        ]
      : []),
  ]
}

/** What the grid takes: a power, a share of the modules', or the less of both. */
function exportLimits(sayer: Sayer, { exportLimitKw, exportLimitShare }: Site): string {
  const limits = [
    ...(exportLimitKw === null ? [] : [sayer.written(of(exportLimitKw, 'kW', 1))]),
    ...(exportLimitShare === null
      ? []
      : [sayer.say(words.shareOfModules, { share: of(exportLimitShare, 'share', 0) })]),
  ]
  return limits.length === 0 ? words.noLimit : limits.join('; ')
}
