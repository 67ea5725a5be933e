import { noParts, type Kind } from '../kind'
import { visitMigrations, visitSchema, visitVersion, type Visit } from './visit'

export const visitKind: Kind<Visit> = {
  kind: 'visit',
  document: 'house',
  schema: visitSchema,
  version: visitVersion,
  migrations: visitMigrations,
  singles: null,
  standing: null,
  parts: noParts,
}
