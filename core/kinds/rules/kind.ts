import { noParts, type Kind } from '../kind'
import { rulesMigrations, rulesSchema, rulesVersion, type Rules } from './rules'

export const rulesKind: Kind<Rules> = {
  kind: 'rules',
  document: 'house',
  schema: rulesSchema,
  version: rulesVersion,
  migrations: rulesMigrations,
  singles: null,
  standing: null,
  parts: noParts,
}
