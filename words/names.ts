import { z } from 'zod'
import { type Catalogue } from '@/core/electrical/catalogue'
import { type PanelArray } from '@/core/kinds/array/array'
import { type Objects } from '@/core/kinds/documents'
import { laying } from './en/tools'
import { type Names } from './sayer'

interface Station {
  readonly id: string
  readonly name: string
}

/** What the objects of documents are called, as a text that is the same as long as they are. */
export const namedIn = (documents: readonly Objects[]): string =>
  JSON.stringify(
    documents.flatMap((objects) =>
      Object.values(objects).flatMap((object) => {
        const name =
          'name' in object ? object.name : object.kind === 'array' ? arrayOn(documents, object) : null
        return name === null ? [] : [[object.id, name]]
      }),
    ),
  )

/** An array without a name of its own, by what it lies on. */
function arrayOn(documents: readonly Objects[], { volumeId }: PanelArray): string {
  const owner = documents.map((objects) => objects[volumeId]).find((object) => object !== undefined)
  return owner && 'name' in owner ? laying.modulesOn.replace('{owner}', owner.name) : laying.modules
}

const namedSchema = z.array(z.tuple([z.string(), z.string()]))

/** What everything is called: objects as `namedIn` has them, the catalogue's things, the weather station. */
export function namesFrom(named: string, catalogue: Catalogue, station?: Station): Names {
  const { modules, inverters, batteries, optimizers, rules, mountings } = catalogue
  const sheets = [...modules, ...inverters, ...batteries, ...optimizers, ...rules, ...mountings]
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
