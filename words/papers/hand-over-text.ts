import { theOne } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { type PanelString } from '@/core/electrical/stringing'
import { type HandOverText, type TablesText } from '@/core/papers/sets'
import { figuresOf } from '@/core/diagram/figures'
import { stringPositions } from '@/core/electrical/side-by-side'
import { type Photograph } from '@/core/papers/photos'
import { type Table } from '@/core/papers/tables'
import { chosenParts } from '@/core/parts/chosen-parts'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { partsList, stringOptimizerOf } from '@/core/parts/parts-list'
import { higherM } from '@/core/readers/height-worth'
import { type PaperFacts } from '@/core/readers/papered'
import { isRoofed } from '@/core/site/site'
import { roofCoverings } from '../en/card-choices'
import { diagram } from '../en/diagram'
import { papers as words } from '../en/papers'
import { partReasons, parts as listWords } from '../en/parts'
import { wiring } from '../en/wiring'
import { partName } from '../part-name'
import { type Sayer } from '../sayer'
import { cablesDrawn, commonWords, facts, of, systemRows, tasks } from './common'
import { listTable } from './permit-text'

/** All that the installer's set says. */
export function handOverText(sayer: Sayer, given: PaperFacts, photos: readonly Photograph[]): HandOverText {
  const { house } = given
  const site = theOne(house, 'site', siteId)
  const marked = modulesMarked(given.built)
  const names = stringNames(given.built.strings, marked)
  return {
    ...commonWords(sayer, given),
    cover: {
      title: words.cover,
      tables: (list) => [
        facts(words.project, [
          [words.address, site.address],
          [words.applicant, site.contactName.trim() || words.unknown],
          [
            words.contact,
            [site.contactPhone, site.contactEmail].filter((text) => text !== '').join(', ') || words.unknown,
          ],
        ]),
        facts(words.system, systemRows(sayer, given)),
        listTable(list),
      ],
    },
    visit: visit(sayer, given),
    stringMap: {
      title: marked.size > 0 ? words.stringMapMarked : words.stringMap,
      cables: cablesDrawn(given.built),
      said: ({ id }) => names.get(id) ?? { lines: ['–'], isDark: false },
      paths: given.built.strings
        .filter(({ input }) => input >= 0)
        .map(({ panelIds }) => ({
          panelIds,
          ...(given.built.inverter.micro ? wiring.branchEnds : wiring.stringEnds),
        })),
    },
    serials: serials(given),
    parts: parts(sayer, given),
    commissioning: commissioning(sayer, given),
    photos: { title: words.photos, all: photos },
  }
}

/** Modules with an optimizer, where others have none. */
const modulesMarked = ({ strings, optimized }: PaperFacts['built']): ReadonlySet<string> =>
  new Set(optimized.length < strings.flatMap(({ panelIds }) => panelIds).length ? optimized : [])

/** By module: its string and its place in it, and a mark; strings beside each other are told apart by grey. */
function stringNames(strings: readonly PanelString[], marked: ReadonlySet<string>) {
  return new Map(
    strings.flatMap(({ id: string, panelIds, input }, s) =>
      panelIds.map(
        (id, k) =>
          [
            id,
            input < 0
              ? { lines: ['–'], isDark: false }
              : { lines: [string, `${k + 1}${marked.has(id) ? '*' : ''}`], isDark: s % 2 === 1 },
          ] as const,
      ),
    ),
  )
}

/** A box for the serial number of each module, in the order of the strings, and of what sits behind it. */
function serials({ built }: PaperFacts): TablesText {
  const { strings, devices, optimizer, optimized, inverter, inverters } = built
  const held = new Set(optimized)
  const behind =
    optimizer && held.size > 0 ? words.optimizerSerial : inverter.micro ? words.inverterSerial : null
  const deviceOf = new Map(devices.flatMap((ids) => ids.map((id, k) => [id, k] as const)))
  const behindOf = (id: string) => {
    if (optimizer) return held.has(id) ? '' : words.noDevice
    return (deviceOf.get(id) ?? 0) === 0 ? '' : words.sameDevice
  }
  const tables = strings.map(({ id: name, panelIds, input }): Table => ({
    title: input < 0 ? words.notWired : name,
    columns: [
      { head: words.place, share: 0.6, as: 'figures' },
      { head: words.moduleSerial, share: 3, as: 'blank' },
      ...(behind ? [{ head: behind, share: 3, as: 'blank' as const }] : []),
    ],
    // One inverter under several modules has its box at the first of them.
    rows: panelIds.map((id, k) => [String(k + 1), '', ...(behind ? [behindOf(id)] : [])]),
  }))
  const one: Table = {
    title: words.inverterTitle,
    columns: [
      { head: words.place, share: 0.6, as: 'figures' },
      { head: words.inverterSerial, share: 6, as: 'blank' },
    ],
    rows: Array.from({ length: inverters }, (_, i) => [String(i + 1), '']),
  }
  return {
    title: words.serials,
    tables: strings.length === 0 ? [] : inverter.micro ? tables : [...tables, one],
  }
}

function visit(sayer: Sayer, { house, built, heights }: PaperFacts): TablesText {
  const site = theOne(house, 'site', siteId)
  const costs = new Map(heights.map((height) => [height.id, height.kwh]))
  const assumed = built.site.objects
    .flatMap(({ id, geometry }) => (geometry.presetM === null ? [] : [{ id, heightM: geometry.presetM }]))
    .sort((a, b) => (costs.get(b.id) ?? 0) - (costs.get(a.id) ?? 0))
  const metres = (value: number) => sayer.written(of(value, 'm'))
  return {
    title: words.visit,
    tables: [
      {
        title: words.visitHeights,
        columns: [
          { head: words.thing, share: 4 },
          { head: words.assumed, share: 2, as: 'figures' },
          ...(costs.size === 0
            ? []
            : [
                {
                  head: sayer.say(words.ifHigher, { higher: of(higherM, 'm') }),
                  share: 2,
                  as: 'figures' as const,
                },
              ]),
          { head: words.measured, share: 2, as: 'blank' },
        ],
        rows: assumed.map(({ id, heightM }) => [
          sayer.name(id),
          metres(heightM),
          ...(costs.size === 0
            ? []
            : [costs.has(id) ? sayer.written(of(costs.get(id) ?? 0, 'kWh', 0)) : '–']),
          '',
        ]),
        note: assumed.length === 0 ? words.noHeights : '',
      },
      {
        title: words.visitMeasures,
        columns: [
          { head: words.measure, share: 4 },
          { head: words.assumed, share: 2, as: 'figures' },
          { head: words.measured, share: 2, as: 'blank' },
        ],
        rows: [
          ...built.site.objects
            .filter((object) => isRoofed(object) && object.kind === 'volume')
            .flatMap(({ id, whole }) => {
              const pitches = [...new Set(whole.faces.map(({ pitchDeg }) => pitchDeg.toFixed(1)))]
              return [
                [
                  sayer.say(words.pitch, { plane: sayer.name(id) }),
                  pitches.map((pitch) => sayer.written(of(Number(pitch), 'deg', 1))).join(', '),
                  '',
                ],
              ]
            }),
          [words.rafters, metres(site.rafterSpacingM), ''],
          [words.covering, roofCoverings[site.roofCovering], ''],
          [
            words.reserve,
            site.roofReserveKpa === null ? words.unknown : sayer.written(of(site.roofReserveKpa, 'kN/m²')),
            '',
          ],
          [
            words.service,
            sayer.say(diagram.phases, {
              phases: site.gridPhases,
              volts: of(site.gridVoltageV, 'V', 0),
            }),
            '',
          ],
        ],
      },
      tasks(words.visitTasks, words.tasks),
    ],
  }
}

function parts(sayer: Sayer, { built, option }: PaperFacts): TablesText {
  return {
    title: words.partsTitle,
    tables: [
      {
        title: '',
        columns: [
          { head: '', share: 0.4, as: 'tick' },
          { head: words.part, share: 4 },
          { head: words.count, share: 1, as: 'figures' },
          { head: words.why, share: 6 },
        ],
        rows: chosenParts(partsList(built), theOne(option, 'electrical', electricalId)).map((part) => [
          part.onSite ? 'x' : '',
          partName(part, sayer),
          sayer.written(of(part.count, part.unit === 'm' ? 'm' : 'count', 0)),
          [
            ...(part.onSite ? [words.partOnSite] : []),
            part.line ? sayer.say(partReasons[part.line.code], part.line.data) : listWords.added,
          ].join(' '),
        ]),
      },
    ],
  }
}

function commissioning(sayer: Sayer, { built }: PaperFacts): TablesText {
  const { battery } = built
  return {
    title: words.commissioning,
    tables: [
      {
        title: words.conditions,
        columns: [words.light, words.cell, words.weatherThen].map((head) => ({
          head,
          share: 1,
          as: 'blank' as const,
        })),
        rows: [['', '', '']],
      },
      built.inverter.micro ? branchTable(sayer, built) : stringTable(sayer, built),
      tasks(words.steps, [
        ...words.firstTasks,
        ...(built.inverter.micro ? words.branchTasks : words.stringTasks),
        ...words.lastTasks,
        ...(battery ? [words.batteryTask] : []),
      ]),
      {
        title: words.signature,
        columns: [
          { head: words.who, share: 1 },
          { head: words.nameAndDate, share: 4, as: 'blank' },
        ],
        rows: [
          [words.installer, ''],
          [words.owner, ''],
        ],
      },
    ],
  }
}

function stringTable(sayer: Sayer, built: PaperFacts['built']): Table {
  const { strings, module, inverters, inverter } = built
  const optimizer = stringOptimizerOf(built)
  const wired = strings.filter(({ input }) => input >= 0)
  const positions = stringPositions(wired, { inverters, mppInputs: inverter.mppInputs })
  return {
    title: words.strings,
    columns: [
      { head: words.string, share: 1 },
      { head: words.input, share: 1, as: 'figures' },
      { head: words.inStrings, share: 1, as: 'figures' },
      { head: words.expectedVoc, share: 1.6, as: 'figures' },
      { head: words.measuredVoc, share: 1.8, as: 'blank' },
      { head: words.expectedIsc, share: 1.8, as: 'figures' },
      { head: words.measuredIsc, share: 1.8, as: 'blank' },
      { head: words.polarity, share: 1.2, as: 'blank' },
      { head: words.insulation, share: 1.6, as: 'blank' },
    ],
    rows: wired.map(({ id, panelIds }) => [
      id,
      positions.get(id) ?? '',
      String(panelIds.length),
      // Optimizers hold a string low until the inverter asks for it: their sheet says how low.
      optimizer ? '–' : sayer.written(of(panelIds.length * module.vocV, 'V', 0)),
      '',
      optimizer ? '–' : sayer.written(of(module.iscA, 'A', 2)),
      '',
      '',
      '',
    ]),
    note: sayer.say(words.stringNote, { coefficient: of(module.vocPerK, 'share', 2) }),
  }
}

/** Branches of microinverters, each with what its breaker will carry. */
function branchTable(sayer: Sayer, built: PaperFacts['built']): Table {
  const { branches } = figuresOf(built, { coldVocV: 0, hotVmpV: 0 })
  return {
    title: words.branches,
    columns: [
      { head: words.branch, share: 1 },
      { head: words.inStrings, share: 1, as: 'figures' },
      { head: words.microinverters, share: 1.6, as: 'figures' },
      { head: words.branchBreakerIs, share: 1.4, as: 'figures' },
      { head: words.expectedCurrent, share: 1.8, as: 'figures' },
      { head: words.measuredVolts, share: 1.8, as: 'blank' },
      { head: words.reporting, share: 1.8, as: 'blank' },
    ],
    rows: branches.map(({ branch, devices, modules, circuit }) => [
      built.strings[branch - 1]?.id ?? '',
      String(modules),
      String(devices),
      circuit.breakerA === null ? '–' : sayer.written(of(circuit.breakerA, 'A', 0)),
      sayer.written(of(circuit.currentA, 'A', 1)),
      '',
      '',
    ]),
  }
}
