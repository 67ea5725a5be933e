import { ownKind } from '../own-sheet'
import { ownInverterSchema, type OwnInverter } from './own-inverter'

export const ownInverterKind = ownKind<OwnInverter>('own-inverter', ownInverterSchema)
