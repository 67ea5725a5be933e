import { ownKind } from '../own-sheet'
import { ownModuleSchema, type OwnModule } from './own-module'

export const ownModuleKind = ownKind<OwnModule>('own-module', ownModuleSchema)
