import { ownKind } from '../own-sheet'
import { ownOptimizerSchema, type OwnOptimizer } from './own-optimizer'

export const ownOptimizerKind = ownKind<OwnOptimizer>('own-optimizer', ownOptimizerSchema)
