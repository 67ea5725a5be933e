import { facets } from '../../geometry/facets'
import { type Vec3 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { aboutFirst, mostReadTriangles, type FileMesh } from './mesh'

/** Corners that one face may have. */
const mostCorners = 1000

/**
 * The faces of a Wavefront OBJ text (its specification, version 3.0, appendix B1): vertices and polygons with absolute or
 * relative numbers; normals, textures, materials and groups are left out, and so are curves and surfaces.
 * @throws Fault `broken-obj` with the line, `too-many-triangles`
 */
export function readObj(text: string): FileMesh {
  const points: Vec3[] = []
  const indices: number[] = []
  const broken = (line: number) => new Fault('broken-obj', { line })
  const lines = text.split('\n')
  for (let at = 0; at < lines.length; at++) {
    const first = at + 1
    let line = lines[at] ?? ''
    // A line that goes on in the next.
    while (line.endsWith('\\') && at + 1 < lines.length) line = `${line.slice(0, -1)} ${lines[++at] ?? ''}`
    const [word, ...rest] = line.replace(/#.*/, '').trim().split(/\s+/)
    if (word === 'v') points.push(vertexOf(rest) ?? fail(broken(first)))
    else if (word === 'f') {
      const face = faceOf(rest, points.length) ?? fail(broken(first))
      indices.push(...trianglesOf(face, points))
      if (indices.length / 3 > mostReadTriangles)
        throw new Fault('too-many-triangles', { limit: mostReadTriangles })
    }
  }
  return {
    positions: aboutFirst(points.flat()),
    indices: Uint32Array.from(indices),
    metresPerUnit: null,
    up: null,
  }
}

function fail(fault: Fault): never {
  throw fault
}

function vertexOf(words: readonly string[]): Vec3 | null {
  const [x, y, z] = words.slice(0, 3).map(Number)
  return x !== undefined && y !== undefined && z !== undefined && [x, y, z].every((n) => Math.abs(n) < 1e9)
    ? [x, y, z]
    : null
}

/** Numbers of vertices from 0; null where one is none. `7`, `7/1`, `7//3` and `-1` name a vertex. */
function faceOf(words: readonly string[], count: number): number[] | null {
  if (words.length < 3 || words.length > mostCorners) return null
  const corners = words.map((word) => {
    const number = /^-?\d+(?=$|\/)/.exec(word)?.[0]
    if (number === undefined) return -1
    const n = Number(number)
    return n > 0 ? n - 1 : n < 0 ? count + n : -1
  })
  return corners.every((corner) => corner >= 0 && corner < count) ? corners : null
}

function trianglesOf(face: readonly number[], points: readonly Vec3[]): number[] {
  if (face.length === 3) return [...face]
  const corners = face.map((corner): Vec3 => [...(points[corner] ?? [0, 0, 0])])
  // Each corner is a vector of its own here, and so tells which vertex it is.
  const numberOf = new Map(corners.map((corner, k) => [corner, face[k] ?? 0]))
  return facets(corners).flatMap((triangle) => triangle.map((corner) => numberOf.get(corner) ?? 0))
}
