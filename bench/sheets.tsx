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

/** By what the session calls them. */
const dialogs: Readonly<Partial<Record<NonNullable<Session['dialog']>, ComponentType>>> = {
  weather: ImportSheet,
  estimate: EstimateSheet,
  year: YearSheet,
  record: lazyPart('RecordDialog'),
  shade: lazyPart('ShadeDialog'),
  arrays: lazyPart('ArraysDialog'),
  modules: lazyPart('ModulesDialog'),
  structure: lazyPart('StructureDialog'),
  parts: lazyPart('PartsDialog'),
  diagram: lazyPart('DiagramDialog'),
  inverters: lazyPart('InvertersDialog'),
  strings: lazyPart('StringsDialog'),
  optimizers: lazyPart('OptimizersDialog'),
  bills: lazyPart('BillsDialog'),
  fit: lazyPart('FitDialog'),
  money: lazyPart('MoneyDialog'),
  'cash-flow': lazyPart('CashFlowDialog'),
  page: lazyPart('PageDialog'),
  permit: lazyPart('PermitDialog'),
  'hand-over': lazyPart('HandOverDialog'),
  best: lazyPart('BestDialog'),
  after: lazyPart('AfterDialog'),
  rules: lazyPart('RulesDialog'),
  'tariff-now': TariffDialog,
  'tariff-then': TariffDialog,
  history: lazyPart('HistoryDialog'),
  comments: lazyPart('CommentsDialog'),
}

/** The sheet that lies over the bench, if any; its script is fetched when it is first opened. */
export function Sheets() {
  const dialog = useSession((s) => s.dialog)
  const Dialog = dialog && dialogs[dialog]
  // Made once, above: only chosen here.
  return Dialog ? createElement(Dialog) : null
}
