import { type Kind } from '../kind'
import {
  electricalId,
  electricalMigrations,
  electricalSchema,
  electricalVersion,
  type Electrical,
} from './electrical'

export const electricalKind: Kind<Electrical> = {
  kind: 'electrical',
  document: 'option',
  schema: electricalSchema,
  version: electricalVersion,
  migrations: electricalMigrations,
  singles: [electricalId],
  standing: null,
  parts: ({ inverterId }) => [{ what: 'inverter', typeId: inverterId, count: 1 }],
}
