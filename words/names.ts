import { z } from 'zod'
import { type Catalogue } from '@/core/electrical/catalogue'
import { type Objects } from '@/core/kinds/documents'
import { type Names } from './sayer'

interface Station {
  readonly id: string
  readonly name: string
}

/** What the objects of documents are called, as a text that is the same as long as they are. */
export const namedIn = (documents: readonly Objects[]): string =>
  JSON.stringify(
    documents.flatMap((objects) =>
      Object.values(objects).flatMap((object) => ('name' in object ? [[object.id, object.name]] : [])),
    ),
  )

const namedSchema = z.array(z.tuple([z.string(), z.string()]))

/** What everything is called: objects as `namedIn` has them, the catalogue's things, the weather station. */
export function namesFrom(named: string, catalogue: Catalogue, station?: Station): Names {
  const sheets = [...catalogue.modules, ...catalogue.inverters, ...catalogue.batteries, ...catalogue.rules]
  // Of two documents the first goes first.
  const names = new Map([
    ...(station ? [[station.id, station.name] as const] : []),
    ...sheets.map(({ id, name }) => [id, name] as const),
    ...namedSchema.parse(JSON.parse(named)).reverse(),
  ])
  return (id) => names.get(id)
}

/** What everything of a job is called: its objects, the catalogue's things, the weather station. */
export const namesIn = (documents: readonly Objects[], catalogue: Catalogue, station?: Station): Names =>
  namesFrom(namedIn(documents), catalogue, station)
