import { noParts, type Kind } from '../kind'
import { coverId, coverMigrations, coverSchema, coverVersion, type Cover } from './cover'

export const coverKind: Kind<Cover> = {
  kind: 'cover',
  document: 'option',
  schema: coverSchema,
  version: coverVersion,
  migrations: coverMigrations,
  singles: [coverId],
  standing: null,
  parts: noParts,
}
