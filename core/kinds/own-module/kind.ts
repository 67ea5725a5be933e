import { noParts, type Kind } from '../kind'
import { ownModuleMigrations, ownModuleSchema, ownModuleVersion, type OwnModule } from './own-module'

export const ownModuleKind: Kind<OwnModule> = {
  kind: 'own-module',
  document: 'house',
  schema: ownModuleSchema,
  version: ownModuleVersion,
  migrations: ownModuleMigrations,
  singles: null,
  standing: null,
  parts: noParts,
}
