import { Fault } from '../../model/fault'
import { checkFileSize } from '../../model/file-size'
import { textOf } from '../../weather/text'
import { lighterMesh } from './lighter-mesh'
import { largestModelBytes, mostReadTriangles, type FileMesh, type ReadModel } from './mesh'
import { readGltf } from './gltf'
import { readIfc } from './ifc'
import { readObj } from './obj'

const readers: Readonly<Record<ReadModel['format'], (bytes: Uint8Array) => FileMesh | Promise<FileMesh>>> = {
  obj: (bytes) => readObj(textOf(bytes)),
  gltf: readGltf,
  ifc: readIfc,
}

const sniffedBytes = 4096

/** What a file is, by how it begins. */
export function modelFormat(bytes: Uint8Array): ReadModel['format'] | null {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, sniffedBytes)).replace(/^ï»¿/, '')
  if (head.startsWith('glTF')) return 'gltf'
  if (/^\s*ISO-10303-21;/.test(head)) return 'ifc'
  if (/^\s*\{/.test(head)) return 'gltf'
  return /^(?:\s*(?:#.*)?\r?\n)*\s*(?:v|vn|vt|o|g|s|mtllib|usemtl)\s/.test(`${head}\n`) ? 'obj' : null
}

/**
 * A model of triangles from an OBJ, glTF or IFC file, no heavier than a job can carry.
 * @throws Fault `not-a-model`, `too-large`, `too-many-triangles`, `empty-model`, and those of the readers
 */
export async function readModel(bytes: Uint8Array): Promise<ReadModel> {
  checkFileSize(bytes.length, largestModelBytes)
  const format = modelFormat(bytes)
  if (format === null) throw new Fault('not-a-model')
  const read = await readers[format](bytes)
  const triangles = read.indices.length / 3
  if (triangles === 0) throw new Fault('empty-model')
  if (triangles > mostReadTriangles) throw new Fault('too-many-triangles', { limit: mostReadTriangles })
  return { ...(await lighterMesh(read)), format, metresPerUnit: read.metresPerUnit, up: read.up }
}
