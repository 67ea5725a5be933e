import { noParts, type Kind } from '../kind'
import { permitMigrations, permitSchema, permitVersion, type Permit } from './permit'

export const permitKind: Kind<Permit> = {
  kind: 'permit',
  document: 'house',
  schema: permitSchema,
  version: permitVersion,
  migrations: permitMigrations,
  singles: null,
  standing: null,
  parts: noParts,
}
