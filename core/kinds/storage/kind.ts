import { type Kind } from '../kind'
import { storageId, storageMigrations, storageSchema, storageVersion, type Storage } from './storage'

export const storageKind: Kind<Storage> = {
  kind: 'storage',
  document: 'option',
  schema: storageSchema,
  version: storageVersion,
  migrations: storageMigrations,
  singles: [storageId],
  standing: null,
  parts: ({ batteryId, count }) =>
    batteryId === null ? [] : [{ what: 'battery', typeId: batteryId, count }],
}
