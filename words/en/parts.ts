import { type PartCode } from '@/core/parts/parts-list'

const sized = '{current} AC, times 1.25 for continuous load: {poles, number}-pole, {breaker}'

/** Parts by what they are called, and why there are so many. */
export const partNames = {
  module: 'Modules',
  rail: 'Rails',
  splice: 'Rail splices',
  'end-clamp': 'End clamps',
  'middle-clamp': 'Mid clamps',
  foot: 'Attachments',
  tray: 'Trays',
  block: 'Ballast blocks',
  'rail-end-cap': 'Rail end caps',
  'grounding-lug': 'Grounding lugs',
  'cable-clip': 'Cable clips',
  'connector-pair': 'PV connectors, pairs',
  'extension-lead': 'Extension leads',
  'string-cable': 'PV cable',
  optimizer: 'Optimizers',
  microinverter: 'Microinverters',
  'branch-cable': 'AC branch cable',
  'branch-drop': 'Branch connectors',
  'branch-jump': 'Branch extensions',
  'branch-terminator': 'Branch terminators',
  'branch-breaker': 'Branch breakers',
  combiner: 'AC combiner panel',
  gateway: 'Monitoring gateway',
  inverter: 'Inverter',
  'dc-disconnect': 'DC disconnect',
  'ac-breaker': 'Inverter breaker',
  'ac-cable': 'AC cable',
  'ac-disconnect': 'AC disconnect',
  meter: 'Meter for import and export',
  battery: 'Batteries',
  'battery-breaker': 'Battery breaker',
  'battery-cable': 'Battery cable',
  label: 'Labels',
} as const satisfies Record<PartCode, string>

export const partReasons = {
  module: 'As laid in {arrays, plural, one {# array} other {# arrays}}.',
  rail: '{total} in {rails, plural, one {# run} other {# runs}}, cut from {length} array by array.',
  splice: 'One wherever a run is longer than {length}.',
  'end-clamp': 'At both ends of each row, on each of its rails.',
  'middle-clamp': 'Between neighbours of a row, on each of its rails.',
  foot: 'As the spans and loads ask under {rails, plural, one {# rail run} other {# rail runs}}.',
  tray: 'One under each module.',
  block: 'Of {weight}, as wind and friction ask.',
  'rail-end-cap': 'Two for each of {rails, plural, one {# run} other {# runs}}.',
  'grounding-lug': 'One for each of {rails, plural, one {# run} other {# runs}}.',
  'cable-clip': '{each, number} at each of {modules, plural, one {# module} other {# modules}}.',
  'connector-pair': 'One for the home run of each of {strings, plural, one {# string} other {# strings}}.',
  'extension-lead': 'Where a string jumps further than two module leads reach.',
  'string-cable':
    'Two conductors for each of {strings, plural, one {# string} other {# strings}}: {placed, select, yes {along roof edges and walls to the inverter} other {down the slope and the wall}}, {spare} spare at each end.',
  optimizer: 'One at each module of {power}.',
  microinverter:
    'One for {modules, plural, one {each module} other {up to # neighbouring modules of a plane}}, {power} AC each.',
  'branch-cable':
    'Along {branches, plural, one {# branch} other {# branches}} and {placed, select, yes {by roof edges and walls to the load centre} other {down the slope and the wall}}, {spare} spare at the foot.',
  'branch-drop': 'One for each microinverter.',
  'branch-jump': 'Where the next microinverter is further than the cable between two connectors reaches.',
  'branch-terminator': 'One at the end of {branches, plural, one {the branch} other {each of # branches}}.',
  'branch-breaker': `${sized}, for the longest branch.`,
  combiner: 'For {branches, number} branches.',
  gateway: 'Reads the microinverters over the house’s wiring.',
  inverter: '{power} AC.',
  'dc-disconnect': 'For up to {volts}.',
  'ac-breaker': `${sized}.`,
  'ac-cable':
    'From the inverter to the load centre along the walls, {spare} spare at each end; {current} at full power.',
  'ac-disconnect': `${sized}.`,
  meter: 'At the point of connection.',
  battery: '{energy} usable each.',
  'battery-breaker': `${sized}.`,
  'battery-cable':
    'From the batteries to the load centre along the walls, {spare} spare at each end; {current} at full power.',
  label:
    '{dc, select, yes {At the service panel, the DC and the AC disconnect} other {{battery, select, yes {At the service panel, the AC disconnect} other {At the service panel and the AC disconnect}}}}{battery, select, yes { and the battery} other {}}.',
} as const satisfies Record<PartCode, string>

/** The sheet of the parts list. */
export const parts = {
  open: 'Parts list',
  title: 'Parts list',
  none: 'Lay modules first: the parts follow from them.',
  part: 'Part',
  count: 'Count',
  why: 'Why',
  each: 'Each',
  sum: 'Total',
  listed: 'List prices of {priced, number} of {all, number} lines',
  weight: 'Weight, as far as data sheets give it',
  csv: 'Save as CSV',
  note: 'Cables are measured along roof edges and walls once the devices are placed, until then down the slope and the wall; conductors and breakers by the current of each device.',
} as const
