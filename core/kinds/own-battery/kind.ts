import { ownKind } from '../own-sheet'
import { ownBatterySchema, type OwnBattery } from './own-battery'

export const ownBatteryKind = ownKind<OwnBattery>('own-battery', ownBatterySchema, [
  // Sheets from before said nothing of what a battery draws itself.
  (value) => ({ ...value, standbyW: 0 }),
])
