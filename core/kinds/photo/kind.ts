import { noParts, type Kind } from '../kind'
import { photoMigrations, photoSchema, photoVersion, type Photo } from './photo'

export const photoKind: Kind<Photo> = {
  kind: 'photo',
  document: 'house',
  schema: photoSchema,
  version: photoVersion,
  migrations: photoMigrations,
  singles: null,
  standing: null,
  parts: noParts,
}
