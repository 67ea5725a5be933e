import { noParts, type Kind } from '../kind'
import { siteId, siteMigrations, siteSchema, siteVersion, type Site } from './site'

export const siteKind: Kind<Site> = {
  kind: 'site',
  document: 'house',
  schema: siteSchema,
  version: siteVersion,
  migrations: siteMigrations,
  singles: [siteId],
  standing: null,
  parts: noParts,
}
