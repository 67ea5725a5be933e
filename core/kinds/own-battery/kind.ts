import { ownKind } from '../own-sheet'
import { ownBatterySchema, type OwnBattery } from './own-battery'

export const ownBatteryKind = ownKind<OwnBattery>('own-battery', ownBatterySchema)
