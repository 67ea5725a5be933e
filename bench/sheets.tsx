'use client'

import dynamic from 'next/dynamic'
import { createElement, type ComponentType } from 'react'
import { useSession } from './context'
import { lazyPart } from './lazy-parts'
import { type Session } from './store/session'

const ImportSheet = dynamic(() => import('./weather/import-sheet').then((m) => m.ImportSheet), { ssr: false })
const EstimateSheet = dynamic(() => import('./estimate/estimate-sheet').then((m) => m.EstimateSheet), {
  ssr: false,
})
const YearSheet = dynamic(() => import('./year/year-sheet').then((m) => m.YearSheet), { ssr: false })
const TariffDialog = lazyPart('TariffDialog')

/** Those that are called as their part is. */
const named = [
  'record',
  'shade',
  'arrays',
  'modules',
  'structure',
  'parts',
  'diagram',
  'inverters',
  'devices',
  'strings',
  'curves',
  'optimizers',
  'tariffs',
  'hours',
  'bills',
  'fit',
  'money',
  'page',
  'permit',
  'best',
  'after',
  'rules',
  'history',
  'comments',
] as const
const partOf = <N extends (typeof named)[number]>(name: N) =>
  `${(name.charAt(0).toUpperCase() + name.slice(1)) as Capitalize<N>}Dialog` as const

/** By what the session calls them. */
const dialogs: Readonly<Partial<Record<NonNullable<Session['dialog']>, ComponentType>>> = {
  weather: ImportSheet,
  estimate: EstimateSheet,
  year: YearSheet,
  'cash-flow': lazyPart('CashFlowDialog'),
  'hand-over': lazyPart('HandOverDialog'),
  'customer-bills': lazyPart('CustomerBillsDialog'),
  'tariff-now': TariffDialog,
  'tariff-then': TariffDialog,
  ...Object.fromEntries(named.map((name) => [name, lazyPart(partOf(name))])),
}

/** The sheet that lies over the bench, if any; its script is fetched when it is first opened. */
export function Sheets() {
  const dialog = useSession((s) => s.dialog)
  const Dialog = dialog && dialogs[dialog]
  // Made once, above: only chosen here.
  return Dialog ? createElement(Dialog) : null
}
