import { type AnyObject, type KindName, type ObjectOf } from '@/core/kinds/index'
import { type Tool } from '../tools/tool'
import { SelectIdle } from '../tools/select/idle'
import { LateState } from '../tools/late-state'
import { TapeIdle } from '../tools/tape/states'
import { arrayBench } from './array/kind'
import { barrierBench } from './barrier/kind'
import { bodyBench } from './body/kind'
import { canopyBench } from './canopy/kind'
import { chimneyBench } from './chimney/kind'
import { dimensionBench } from './dimension/kind'
import { dormerBench } from './dormer/kind'
import { fixtureBench } from './fixture/kind'
import { settings, type BenchKind } from './kind'
import { lotBench } from './lot/kind'
import { rackBench } from './rack/kind'
import { readingBench } from './reading/kind'
import { skylightBench } from './skylight/kind'
import { treeBench } from './tree/kind'
import { underlayBench } from './underlay/kind'
import { volumeBench } from './volume/kind'
import { walkwayBench } from './walkway/kind'

/** What the bench knows of every kind. */
const benchKinds = {
  site: settings,
  volume: volumeBench,
  canopy: canopyBench,
  dormer: dormerBench,
  chimney: chimneyBench,
  skylight: skylightBench,
  fixture: fixtureBench,
  tree: treeBench,
  barrier: barrierBench,
  body: bodyBench,
  lot: lotBench,
  dimension: dimensionBench,
  reading: readingBench,
  underlay: underlayBench,
  visit: settings,
  photo: settings,
  permit: settings,
  production: settings,
  rules: settings,
  'own-module': settings,
  'own-inverter': settings,
  'own-optimizer': settings,
  'own-battery': settings,
  load: settings,
  tariff: settings,
  array: arrayBench,
  rack: rackBench,
  walkway: walkwayBench,
  cover: settings,
  electrical: settings,
  losses: settings,
  storage: settings,
  offer: settings,
  alteration: settings,
} satisfies { readonly [K in KindName]: BenchKind<ObjectOf<K>> | typeof settings }

/** The bench's side of an object's kind; the one place where the union is taken for one of its members. */
export const benchKindOf = <T extends AnyObject>(object: T): BenchKind<T> =>
  benchKinds[object.kind] as unknown as BenchKind<T>

/** The tool that is in hand when no other is. */
const select: Tool = {
  id: 'select',
  key: 'S',
  chapter: 'shape',
  begin: (context) => new SelectIdle(context),
}

/** Reads a distance between two points of what stands there. */
const tape: Tool = {
  id: 'tape',
  key: 'M',
  chapter: 'shape',
  begin: (context) => new TapeIdle(context),
}

/** Strings modules by hand. */
const string: Tool = {
  id: 'string',
  key: '/',
  chapter: 'wire',
  begin: (context) => new LateState(context, 'string', (later) => new later.StringIdle(context)),
}

/** Hangs inverter, load centre and battery on walls. */
const place: Tool = {
  id: 'place',
  key: "'",
  chapter: 'wire',
  begin: (context) => new LateState(context, 'place', (later) => new later.PlaceIdle(context)),
}

/** Moves the aerial picture to where the house is. */
const movePicture: Tool = {
  id: 'move-picture',
  key: '=',
  chapter: 'site',
  begin: (context) =>
    new LateState(context, 'move-picture', (later) => new later.MovePictureFrom(context, [0, 0])),
}

/** Shows the sun's ways as they are seen from a point. */
const look: Tool = {
  id: 'look',
  key: '-',
  chapter: 'cover',
  begin: (context) => new LateState(context, 'look', (later) => new later.LookFromPoint(context, [0, 0])),
}

/** Every tool, in the order of their kinds. */
export const tools: readonly Tool[] = [
  select,
  ...Object.values(benchKinds).flatMap((kind) => kind.tools),
  string,
  place,
  movePicture,
  look,
  tape,
]
