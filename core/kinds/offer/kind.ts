import { noParts, type Kind } from '../kind'
import { offerId, offerMigrations, offerSchema, offerVersion, type Offer } from './offer'

export const offerKind: Kind<Offer> = {
  kind: 'offer',
  document: 'option',
  schema: offerSchema,
  version: offerVersion,
  migrations: offerMigrations,
  singles: [offerId],
  standing: null,
  parts: noParts,
}
