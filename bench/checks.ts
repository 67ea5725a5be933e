import { type CheckCode } from '@/core/model/ledger'
import { type Chapter } from './store/session'

/** Rules that are kept elsewhere than with the wiring. */
const elsewhere: Partial<Readonly<Record<CheckCode, Chapter>>> = {
  'weather-missing': 'site',
  'station-far': 'site',
  'not-built': 'shape',
  'preset-height': 'shape',
  orphaned: 'cover',
  'no-fit': 'cover',
  'modules-unfit': 'cover',
  'no-modules': 'cover',
  'rules-missing': 'cover',
  'setback-narrow': 'cover',
  'clearance-narrow': 'cover',
  'pathway-beside': 'cover',
  'pathways-few': 'cover',
  'mounting-none': 'cover',
  'mounting-unsuited': 'cover',
  'foot-load': 'cover',
  'rail-span': 'cover',
  'rail-overhang': 'cover',
  'rail-loose': 'cover',
  'ballast-many': 'cover',
  'roof-load': 'cover',
  'shaded-modules': 'cover',
  'battery-no-port': 'store',
  'battery-volts': 'store',
  'battery-port-power': 'store',
  'no-load': 'match',
  'no-payback': 'offer',
}

/** Where a rule is kept: the chapter that is marked when it is broken, and that a click leads to. Most are the electrician's. */
export const chapterOf = (code: CheckCode): Chapter => elsewhere[code] ?? 'wire'
