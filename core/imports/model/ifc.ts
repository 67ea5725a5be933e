import { Fault } from '../../model/fault'
import { checkStep } from './check-step'
import { mostReadTriangles, type FileMesh } from './mesh'

/** Memory that a building model may take while it is read. */
const memoryBytes = 1_000_000_000

/**
 * The solids of an IFC file (ISO 16739, exchanged as ISO 10303-21) in their places, in metres: walls, roofs, slabs and
 * all else that has a body; spaces and openings have none.
 * @throws Fault of `checkStep`, `unreadable-ifc`, `too-many-triangles`
 */
export async function readIfc(bytes: Uint8Array): Promise<FileMesh> {
  checkStep(new TextDecoder('latin1').decode(bytes))
  const { IfcAPI, LogLevel } = await import('web-ifc')
  const api = new IfcAPI()
  await api.Init()
  api.SetLogLevel(LogLevel.LOG_LEVEL_OFF)
  const positions: number[] = []
  const indices: number[] = []
  let model = -1
  try {
    model = api.OpenModel(bytes, { COORDINATE_TO_ORIGIN: true, MEMORY_LIMIT: memoryBytes })
    if (model < 0) throw new Fault('unreadable-ifc')
    api.StreamAllMeshes(model, ({ geometries }) => {
      for (let g = 0; g < geometries.size(); g++) {
        const { geometryExpressID, flatTransformation: m } = geometries.get(g)
        const geometry = api.GetGeometry(model, geometryExpressID)
        // Six numbers a vertex: where it is, and its normal.
        const vertices = api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize())
        const order = api.GetIndexArray(geometry.GetIndexData(), geometry.GetIndexDataSize())
        const start = positions.length / 3
        for (let v = 0; v + 5 < vertices.length; v += 6) {
          const [x = 0, y = 0, z = 0] = vertices.subarray(v, v + 3)
          for (let row = 0; row < 3; row++)
            positions.push(
              (m[row] ?? 0) * x + (m[row + 4] ?? 0) * y + (m[row + 8] ?? 0) * z + (m[row + 12] ?? 0),
            )
        }
        for (const corner of order) indices.push(start + corner)
        geometry.delete()
        if (indices.length / 3 > mostReadTriangles)
          throw new Fault('too-many-triangles', { limit: mostReadTriangles })
      }
    })
  } catch (error) {
    if (error instanceof Fault) throw error
    // Whatever the reader throws on a damaged file: numbers, strings and errors of its own.
    throw new Fault('unreadable-ifc')
  } finally {
    if (model >= 0) api.CloseModel(model)
    api.Dispose()
  }
  return {
    positions: Float32Array.from(positions),
    indices: Uint32Array.from(indices),
    metresPerUnit: 1,
    up: 'y',
  }
}
