import { noParts, type Kind } from '../kind'
import {
  tariffNowId,
  tariffThenId,
  tariffMigrations,
  tariffSchema,
  tariffVersion,
  type Tariff,
} from './tariff'

export const tariffKind: Kind<Tariff> = {
  kind: 'tariff',
  document: 'house',
  schema: tariffSchema,
  version: tariffVersion,
  migrations: tariffMigrations,
  singles: [tariffNowId, tariffThenId],
  standing: null,
  parts: noParts,
}
