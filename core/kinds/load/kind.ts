import { noParts, type Kind } from '../kind'
import { loadId, loadMigrations, loadSchema, loadVersion, type Load } from './load'

export const loadKind: Kind<Load> = {
  kind: 'load',
  document: 'house',
  schema: loadSchema,
  version: loadVersion,
  migrations: loadMigrations,
  singles: [loadId],
  standing: null,
  parts: noParts,
}
