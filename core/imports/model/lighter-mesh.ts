import { mostTriangles, type FileMesh, type ReadModel } from './mesh'

/** What is in one plane but for this share of the whole's size is one face. */
const flatShare = 1e-5

/**
 * The same with no more triangles than a job carries: first what costs nothing (vertices in one place, triangles without
 * area, corners inside a plane), then edges collapsed by least error, and only where that is not enough the whole by a
 * coarse grid.
 */
export async function lighterMesh(
  mesh: FileMesh,
): Promise<Pick<ReadModel, 'positions' | 'indices' | 'fileTriangles' | 'offBy'>> {
  // Loaded for whoever has a model.
  const { MeshoptSimplifier } = await import('meshoptimizer')
  await MeshoptSimplifier.ready
  const fileTriangles = mesh.indices.length / 3
  const { positions, indices } = welded(mesh)
  const most = mostTriangles * 3
  const scale = MeshoptSimplifier.getScale(positions, 3)
  let kept = indices
  let error = 0
  const free = MeshoptSimplifier.simplify(kept, positions, 3, 0, flatShare)
  if (free[0].length > 0) kept = free[0]
  if (kept.length > most) [kept, error] = MeshoptSimplifier.simplify(kept, positions, 3, most, 1)
  if (kept.length > most) [kept, error] = MeshoptSimplifier.simplifySloppy(kept, positions, 3, null, most, 1)
  return { ...compact(positions, kept), fileTriangles, offBy: error * scale }
}

/** Vertices in one place are one, and triangles with two corners in one place are gone. */
function welded({ positions, indices }: FileMesh): { positions: Float32Array; indices: Uint32Array } {
  const seen = new Map<string, number>()
  const points: number[] = []
  const one = Array.from({ length: positions.length / 3 }, (_, v) => {
    const [x = 0, y = 0, z = 0] = positions.subarray(v * 3, v * 3 + 3)
    const key = `${x},${y},${z}`
    const known = seen.get(key)
    if (known !== undefined) return known
    seen.set(key, seen.size)
    points.push(x, y, z)
    return seen.size - 1
  })
  const kept: number[] = []
  for (let k = 0; k + 2 < indices.length; k += 3) {
    const [a = 0, b = 0, c = 0] = [0, 1, 2].map((n) => one[indices[k + n] ?? 0])
    if (a !== b && b !== c && c !== a) kept.push(a, b, c)
  }
  return { positions: Float32Array.from(points), indices: Uint32Array.from(kept) }
}

/** Without vertices that no triangle has. */
function compact(positions: Float32Array, indices: Uint32Array) {
  const numbers = new Map<number, number>()
  for (const v of indices) if (!numbers.has(v)) numbers.set(v, numbers.size)
  const kept = new Float32Array(numbers.size * 3)
  for (const [from, to] of numbers) kept.set(positions.subarray(from * 3, from * 3 + 3), to * 3)
  return { positions: kept, indices: Uint32Array.from(indices, (v) => numbers.get(v) ?? 0) }
}
