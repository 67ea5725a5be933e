/** The largest file of a model that is read. */
export const largestModelBytes = 48_000_000

/** Triangles that a file may have; what is kept of them is far less. */
export const mostReadTriangles = 3_000_000

/** Triangles that a model in a job may have: each is a body that may shade every module. */
export const mostTriangles = 1_500

/** Triangles of a file as they stand there. */
export interface FileMesh {
  /** Three numbers a vertex, in the file's units and axes. */
  readonly positions: Float32Array
  /** Three vertices a triangle, counter-clockwise seen from outside. */
  readonly indices: Uint32Array
  /** How long a unit is; null where the format does not say. */
  readonly metresPerUnit: number | null
  /** The axis that points up; null where the format does not say. */
  readonly up: 'y' | 'z' | null
}

/**
 * Vertices in single precision about the first of them: places in a country's grid have too many digits for it.
 * @param positions three numbers each
 */
export function aboutFirst(positions: readonly number[]): Float32Array {
  const first = positions.slice(0, 3)
  return Float32Array.from(positions, (value, k) => value - (first[k % 3] ?? 0))
}

/** A model that was read and made light enough. */
export interface ReadModel extends FileMesh {
  readonly format: 'obj' | 'gltf' | 'ifc'
  /** How many triangles the file has. */
  readonly fileTriangles: number
  /** How far what is kept may be off, in the file's units; 0 where nothing was given up. */
  readonly offBy: number
}
