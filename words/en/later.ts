import { aerial } from './aerial'
import { after } from './after'
import { arrayDeeds } from './array-deeds'
import { arrayTable } from './array-table'
import { battery, batteryDeeds } from './battery'
import { best } from './best'
import {
  canopyCovers,
  canopyLeaves,
  edgeForms,
  fixtureForms,
  foliages,
  gridPhases,
  loadShapes,
  roofCoverings,
  seasons,
  tapeFacts,
  treeCard,
} from './card-choices'
import { calibrating } from './calibrating'
import { catalogue } from './catalogue'
import { comments } from './comments'
import { compare } from './compare'
import { devices } from './devices'
import { diagram } from './diagram'
import { fieldsOf } from './fields'
import { fileUnits } from './file-units'
import { fit } from './fit'
import { farHorizon, readings } from './horizon'
import { flows } from './flows'
import { lot } from './lot'
import { hours } from './hours'
import { history } from './history'
import { curves } from './curves'
import { customerBills } from './customer-bills'
import { inverters } from './inverters'
import { wiring } from './wiring'
import { layWanted } from './lay-wanted'
import { load } from './load'
import { money } from './money'
import { models } from './models'
import { moduleChoice } from './module-choice'
import { offsets } from './offsets'
import { page } from './page'
import { papers } from './papers'
import { parts, partNames, partReasons } from './parts'
import { plan } from './plan'
import { permitStates, record } from './record'
import { shade } from './shade'
import { tiltedRows } from './tilted-rows'
import { trim } from './trim'
import { ranges } from './ranges'
import { setbacks } from './setbacks'
import { bills, tariff } from './tariff'
import { strings } from './strings'
import { optimizers } from './optimizers'
import { tariffs } from './tariffs'
import { structure } from './structure'
import { severalCard } from './several'
import { underlays } from './underlays'

/** What only parts of the bench say that it does not open with: fetched with them. */
export const later = {
  aerial,
  after,
  arrayDeeds,
  arrayTable,
  canopyCovers,
  canopyLeaves,
  battery,
  batteryDeeds,
  calibrating,
  best,
  bills,
  catalogue,
  comments,
  compare,
  devices,
  diagram,
  edgeForms,
  farHorizon,
  readings,
  fields: fieldsOf,
  fit,
  flows,
  hours,
  fixtureForms,
  foliages,
  gridPhases,
  history,
  loadShapes,
  roofCoverings,
  seasons,
  tapeFacts,
  tariff,
  treeCard,
  fileUnits,
  curves,
  customerBills,
  inverters,
  strings,
  optimizers,
  tariffs,
  wiring,
  layWanted,
  load,
  models,
  money,
  moduleChoice,
  offsets,
  page,
  papers,
  partNames,
  partReasons,
  parts,
  permitStates,
  plan,
  ranges,
  record,
  setbacks,
  severalCard,
  shade,
  structure,
  tiltedRows,
  trim,
  lot,
  underlays,
} as const
