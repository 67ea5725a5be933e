import { noParts, type Kind } from '../kind'
import { alterationMigrations, alterationSchema, alterationVersion, type Alteration } from './alteration'

export const alterationKind: Kind<Alteration> = {
  kind: 'alteration',
  document: 'option',
  schema: alterationSchema,
  version: alterationVersion,
  migrations: alterationMigrations,
  singles: null,
  standing: null,
  parts: noParts,
}
