'use client'

import dynamic from 'next/dynamic'
import { useSession } from './context'
import { lazyPart } from './lazy-parts'

const ImportSheet = dynamic(() => import('./weather/import-sheet').then((m) => m.ImportSheet), { ssr: false })
const EstimateSheet = dynamic(() => import('./estimate/estimate-sheet').then((m) => m.EstimateSheet), {
  ssr: false,
})
const RecordDialog = lazyPart('RecordDialog')
const ShadeDialog = lazyPart('ShadeDialog')
const ArraysDialog = lazyPart('ArraysDialog')
const ModulesDialog = lazyPart('ModulesDialog')
const StructureDialog = lazyPart('StructureDialog')
const PartsDialog = lazyPart('PartsDialog')
const DiagramDialog = lazyPart('DiagramDialog')
const InvertersDialog = lazyPart('InvertersDialog')
const TariffDialog = lazyPart('TariffDialog')
const BillsDialog = lazyPart('BillsDialog')
const FitDialog = lazyPart('FitDialog')
const MoneyDialog = lazyPart('MoneyDialog')
const CashFlowDialog = lazyPart('CashFlowDialog')
const PageDialog = lazyPart('PageDialog')
const PermitDialog = lazyPart('PermitDialog')
const HandOverDialog = lazyPart('HandOverDialog')
const BestDialog = lazyPart('BestDialog')
const AfterDialog = lazyPart('AfterDialog')
const RulesDialog = lazyPart('RulesDialog')
const YearSheet = dynamic(() => import('./year/year-sheet').then((m) => m.YearSheet), { ssr: false })

/** The sheet that lies over the bench, if any; its script is fetched when it is first opened. */
export function Sheets() {
  const dialog = useSession((s) => s.dialog)
  if (dialog === 'weather') return <ImportSheet />
  if (dialog === 'estimate') return <EstimateSheet />
  if (dialog === 'year') return <YearSheet />
  if (dialog === 'record') return <RecordDialog />
  if (dialog === 'shade') return <ShadeDialog />
  if (dialog === 'arrays') return <ArraysDialog />
  if (dialog === 'modules') return <ModulesDialog />
  if (dialog === 'structure') return <StructureDialog />
  if (dialog === 'parts') return <PartsDialog />
  if (dialog === 'diagram') return <DiagramDialog />
  if (dialog === 'inverters') return <InvertersDialog />
  if (dialog === 'tariff-now' || dialog === 'tariff-then') return <TariffDialog />
  if (dialog === 'bills') return <BillsDialog />
  if (dialog === 'fit') return <FitDialog />
  if (dialog === 'money') return <MoneyDialog />
  if (dialog === 'cash-flow') return <CashFlowDialog />
  if (dialog === 'page') return <PageDialog />
  if (dialog === 'permit') return <PermitDialog />
  if (dialog === 'hand-over') return <HandOverDialog />
  if (dialog === 'best') return <BestDialog />
  if (dialog === 'after') return <AfterDialog />
  if (dialog === 'rules') return <RulesDialog />
  return null
}
