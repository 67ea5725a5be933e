import { type CheckCode } from '@/core/model/ledger'
import { type Chapter } from './store/session'

/** Where each rule is kept: the chapter that is marked when it is broken, and that a click leads to. */
export const chapterOf = {
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
  'shaded-modules': 'cover',
  'string-cold': 'wire',
  'string-peak': 'wire',
  'string-hot': 'wire',
  inputs: 'wire',
  current: 'wire',
  'dc-ac-high': 'wire',
  'dc-ac-low': 'wire',
  clipping: 'wire',
  'counted-twice': 'wire',
  'no-load': 'match',
  'no-payback': 'offer',
} as const satisfies Readonly<Record<CheckCode, Chapter>>
