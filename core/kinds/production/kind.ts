import { noParts, type Kind } from '../kind'
import { productionMigrations, productionSchema, productionVersion, type Production } from './production'

export const productionKind: Kind<Production> = {
  kind: 'production',
  document: 'house',
  schema: productionSchema,
  version: productionVersion,
  migrations: productionMigrations,
  singles: null,
  standing: null,
  parts: noParts,
}
