import { noParts, type Kind } from '../kind'
import { lossesId, lossesMigrations, lossesSchema, lossesVersion, type Losses } from './losses'

export const lossesKind: Kind<Losses> = {
  kind: 'losses',
  document: 'option',
  schema: lossesSchema,
  version: lossesVersion,
  migrations: lossesMigrations,
  singles: [lossesId],
  standing: null,
  parts: noParts,
}
