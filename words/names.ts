import { z } from 'zod'
import { type Catalogue } from '@/core/electrical/catalogue'
import { type PanelArray } from '@/core/kinds/array/array'
import { ofKind, type Objects } from '@/core/kinds/documents'
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

/** An array without a name of its own, by what it lies on, and by its side too where there are several. */
function arrayOn(documents: readonly Objects[], { id, volumeId, edgeIndex }: PanelArray): string {
  const owner = documents.map((objects) => objects[volumeId]).find((object) => object !== undefined)
  if (!owner || !('name' in owner)) return laying.modules
  const isAlone = documents
    .flatMap((objects) => ofKind(objects, 'array'))
    .every((other) => other.id === id || other.volumeId !== volumeId || other.name !== undefined)
  return isAlone
    ? laying.modulesOn.replace('{owner}', owner.name)
    : laying.modulesOnSide.replace('{owner}', owner.name).replace('{side}', String(edgeIndex + 1))
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
