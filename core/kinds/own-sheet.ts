import { z } from 'zod'
import { idSchema, nameSchema, type ObjectBase } from '../model/object-base'
import { between } from '../model/rules'
import { noParts, type Kind } from './kind'

/** What the data sheet of anything says that a designer has brought into a job. */
export const ownSheet = {
  id: idSchema,
  name: nameSchema,
  maker: z.string().max(80),
  price: between(0, 1e6, 'money'),
}

/** A kind of data sheets that a job brings itself: any number of them, for all of its options. */
export const ownKind = <T extends ObjectBase>(
  kind: T['kind'],
  schema: z.ZodType<T>,
  migrations: Kind<T>['migrations'] = [],
): Kind<T> => ({
  kind,
  document: 'house',
  schema,
  version: migrations.length + 1,
  migrations,
  singles: null,
  standing: null,
  parts: noParts,
})
