import { type KindName } from '@/core/kinds/index'

/** What a kind of object and its grips are called. */
interface KindWords {
  /** In a list, beside its name. */
  readonly one: string
  /** A new one; `n` counts those of its kind, itself included. */
  readonly named: string
  /** What each grip changes. */
  readonly handles?: Readonly<Record<string, string>>
}

export const kinds = {
  site: {
    one: 'site',
    named: 'Site',
  },
  volume: {
    one: 'building',
    named: '{n, plural, =1 {House} other {Building #}}',
    handles: {
      corner: 'Corner',
      'new-corner': 'New corner',
      eave: 'Eave height',
      ridge: 'Pitch',
      parapet: 'Parapet height',
    },
  },
  canopy: {
    one: 'carport or pergola',
    named: '{n, plural, =1 {Carport} other {Carport #}}',
    handles: {
      'canopy-width': 'Along the eave',
      'canopy-depth': 'Depth',
      'canopy-eave': 'Eave height',
      'canopy-ridge': 'Pitch',
    },
  },
  dormer: {
    one: 'dormer',
    named: '{n, plural, =1 {Dormer} other {Dormer #}}',
    handles: { 'dormer-width': 'Width', 'dormer-wall': 'Front wall height', 'dormer-ridge': 'Pitch' },
  },
  chimney: {
    one: 'obstruction',
    named: '{n, plural, =1 {Chimney} other {Chimney #}}',
    handles: { 'chimney-top': 'Height' },
  },
  skylight: {
    one: 'roof window',
    named: '{n, plural, =1 {Skylight} other {Skylight #}}',
    handles: { width: 'Width', length: 'Length' },
  },
  walkway: {
    one: 'walkway',
    named: '{n, plural, =1 {Walkway} other {Walkway #}}',
    handles: { 'walkway-width': 'Width' },
  },
  fixture: {
    one: 'fixture',
    named: '{n, plural, =1 {Vent pipe} other {Vent pipe #}}',
    handles: { 'fixture-top': 'Height' },
  },
  tree: {
    one: 'tree',
    named: 'Tree {n, number}',
    handles: { 'tree-top': 'Height', 'clear-stem': 'Clear stem', crown: 'Crown width' },
  },
  barrier: {
    one: 'fence or hedge',
    named: '{n, plural, =1 {Fence} other {Fence #}}',
    handles: { 'barrier-corner': 'Corner', 'new-corner': 'New corner', 'barrier-top': 'Height' },
  },
  body: {
    one: '3D model',
    named: '{n, plural, =1 {Model} other {Model #}}',
    handles: { 'body-top': 'Height' },
  },
  lot: {
    one: 'lot',
    named: '{n, plural, =1 {Lot} other {Lot #}}',
    handles: { 'lot-corner': 'Corner', 'new-corner': 'New corner', place: 'Place' },
  },
  underlay: {
    one: 'picture or drawing',
    named: '{n, plural, =1 {Picture} other {Picture #}}',
    handles: { place: 'Place' },
  },
  visit: {
    one: 'visit',
    named: '{n, plural, =1 {Visit} other {Visit #}}',
  },
  photo: {
    one: 'photo',
    named: '{n, plural, =1 {Photo} other {Photo #}}',
  },
  alteration: {
    one: 'what-if',
    named: 'What if',
  },
  permit: {
    one: 'permit',
    named: '{n, plural, =1 {Building permit} other {Permit #}}',
  },
  production: {
    one: 'production file',
    named: 'Production file',
  },
  dimension: {
    one: 'dimension',
    named: '{n, plural, =1 {Dimension} other {Dimension #}}',
    handles: { 'dimension-end': 'End' },
  },
  reading: {
    one: 'horizon reading',
    named: '{n, plural, =1 {Horizon reading} other {Horizon reading #}}',
    handles: { 'reading-height': 'Height' },
  },
  load: {
    one: 'consumption',
    named: 'Consumption',
  },
  tariff: {
    one: 'tariff',
    named: 'Tariff',
  },
  array: {
    one: 'array',
    named: 'Array',
    handles: {
      setback: 'Setback',
      corner: 'Move corner',
      'new-corner': 'New corner',
      move: 'Move modules',
      columns: 'Modules in rows',
      rows: 'Rows',
    },
  },
  rack: {
    one: 'ground-mounted',
    named: '{n, plural, =1 {Ground rack} other {Ground rack #}}',
  },
  cover: {
    one: 'module and setbacks',
    named: 'Cover',
  },
  rules: {
    one: 'setback rules',
    named: '{n, plural, =1 {Own rules} other {Own rules #}}',
  },
  'own-module': {
    one: 'own module',
    named: '{n, plural, =1 {Own module} other {Own module #}}',
  },
  'own-inverter': {
    one: 'own inverter',
    named: '{n, plural, =1 {Own inverter} other {Own inverter #}}',
  },
  'own-optimizer': {
    one: 'own optimizer',
    named: '{n, plural, =1 {Own optimizer} other {Own optimizer #}}',
  },
  'own-battery': {
    one: 'own battery',
    named: '{n, plural, =1 {Own battery} other {Own battery #}}',
  },
  electrical: {
    one: 'wiring',
    named: 'Wiring',
  },
  losses: {
    one: 'losses',
    named: 'Losses',
  },
  storage: {
    one: 'battery',
    named: 'Battery',
  },
  offer: {
    one: 'offer',
    named: 'Offer',
  },
} satisfies Readonly<Record<KindName, KindWords>>
