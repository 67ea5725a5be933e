import { type JSONDocument, type mat4, type Node, type Primitive } from '@gltf-transform/core'
import { Fault } from '../../model/fault'
import { aboutFirst, mostReadTriangles, type FileMesh } from './mesh'

/**
 * The triangles of a glTF 2.0 file, binary or as text with all of its data inside, in the places that its scene gives
 * them. Metres, y up, by the format.
 * @throws Fault `broken-gltf`, `gltf-elsewhere` where data lies in other files, `gltf-packed` where it is compressed,
 * `too-many-triangles`
 */
export async function readGltf(bytes: Uint8Array): Promise<FileMesh> {
  try {
    return await meshOf(bytes)
  } catch (error) {
    if (error instanceof Fault) throw error
    // Whatever the library and a damaged text throw: they have no kinds of errors of their own.
    const said = error instanceof Error ? error.message : ''
    if (/extension/i.test(said)) throw new Fault('gltf-packed')
    throw new Fault(/external/i.test(said) ? 'gltf-elsewhere' : 'broken-gltf')
  }
}

async function meshOf(bytes: Uint8Array): Promise<FileMesh> {
  // Loaded for whoever has such a file.
  const { WebIO } = await import('@gltf-transform/core')
  const io = new WebIO()
  const document = await (bytes[0] === 0x67 ? io.readBinary(bytes) : io.readJSON(textDocument(bytes)))
  const root = document.getRoot()
  const scene = root.getDefaultScene() ?? root.listScenes()[0]
  const positions: number[] = []
  const indices: number[] = []
  const visit = (node: Node) => {
    const matrix = node.getWorldMatrix()
    for (const primitive of node.getMesh()?.listPrimitives() ?? []) {
      add(primitive, matrix, positions, indices)
      if (indices.length / 3 > mostReadTriangles)
        throw new Fault('too-many-triangles', { limit: mostReadTriangles })
    }
    node.listChildren().forEach(visit)
  }
  scene?.listChildren().forEach(visit)
  if (!positions.every(Number.isFinite)) throw new Fault('broken-gltf')
  return {
    positions: aboutFirst(positions),
    indices: Uint32Array.from(indices),
    metresPerUnit: 1,
    up: 'y',
  }
}

/** A glTF as text, with its data taken out of its own addresses: nothing is fetched. */
function textDocument(bytes: Uint8Array): JSONDocument {
  const json = JSON.parse(new TextDecoder().decode(bytes)) as JSONDocument['json']
  if (typeof json.asset !== 'object') throw new Fault('not-a-model')
  // What it looks like is not asked for: pictures may lie elsewhere.
  const resources: JSONDocument['resources'] = {}
  for (const { uri } of json.buffers ?? []) {
    const data = /^data:[^,]*;base64,([a-z0-9+/=\s]*)$/i.exec(uri ?? '')
    if (!data) throw new Fault('gltf-elsewhere')
    resources[uri ?? ''] = Uint8Array.from(atob(data[1] ?? ''), (letter) => letter.charCodeAt(0))
  }
  return { json: { ...json, images: [], textures: [], materials: [] }, resources }
}

/** Ways to read a list of vertices as triangles (glTF 2.0, `mode`). */
const [strip, fan, triangles] = [5, 6, 4]

function add(primitive: Primitive, m: mat4, positions: number[], indices: number[]): void {
  const mode = primitive.getMode()
  const points = primitive.getAttribute('POSITION')
  if (!points || (mode !== triangles && mode !== strip && mode !== fan)) return
  const start = positions.length / 3
  const p: number[] = []
  for (let k = 0; k < points.getCount(); k++) {
    const [x = 0, y = 0, z = 0] = points.getElement(k, p)
    for (let row = 0; row < 3; row++)
      positions.push((m[row] ?? 0) * x + (m[row + 4] ?? 0) * y + (m[row + 8] ?? 0) * z + (m[row + 12] ?? 0))
  }
  const order = primitive.getIndices()
  const count = order?.getCount() ?? points.getCount()
  const at = (k: number) => order?.getScalar(k) ?? k
  const push = (...corners: number[]) => {
    if (corners.some((corner) => !(corner >= 0 && corner < points.getCount()))) throw new Fault('broken-gltf')
    indices.push(...corners.map((corner) => start + corner))
  }
  if (mode === triangles) for (let k = 0; k + 2 < count; k += 3) push(at(k), at(k + 1), at(k + 2))
  else
    for (let k = 0; k + 2 < count; k++)
      if (mode === fan) push(at(0), at(k + 1), at(k + 2))
      else push(...(k % 2 === 0 ? [at(k), at(k + 1), at(k + 2)] : [at(k + 1), at(k), at(k + 2)]))
}
