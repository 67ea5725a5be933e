import { facets } from '../geometry/facets'
import { newell, unit3, type Vec3 } from '../geometry/vector'
import { type CrownBody } from '../geometry/body'
import { type Tone } from '../kinds/standing'
import { type Drawn } from './drawn'

/** Linear colours of what things are made of; a module is no tone of a surface. */
const colours: Readonly<Record<Exclude<Tone, 'open'> | 'module' | 'leaves', readonly number[]>> = {
  roof: [0.78, 0.74, 0.66, 1],
  wall: [0.86, 0.84, 0.8, 1],
  obstruction: [0.6, 0.45, 0.4, 1],
  frame: [0.3, 0.32, 0.34, 1],
  glass: [0.5, 0.65, 0.72, 1],
  module: [0.03, 0.06, 0.16, 1],
  leaves: [0.3, 0.4, 0.2, 1],
}
type Paint = keyof typeof colours
const paints = Object.keys(colours) as readonly Paint[]

/** A mesh on its way into the file: triangles by what they are made of, each corner with its normal. */
interface Made {
  readonly name: string
  readonly triangles: Partial<Record<Paint, { readonly at: number[]; readonly normal: number[] }>>
}

/** glTF's axes: y up, and what looks north looks along -z. */
const turned = ([x, y, z]: Vec3): Vec3 => [x, z, -y]

/**
 * The job as a binary glTF 2.0 (ISO/IEC 12113:2022): one node for each object under its name and one for each array,
 * metres.
 */
export function glbOf({ site, nameOf }: Drawn): Uint8Array<ArrayBuffer> {
  const made = [
    ...site.objects.map(({ id, geometry }): Made => {
      const mesh: Made = { name: nameOf(id), triangles: {} }
      for (const { corners, holes, tone } of geometry.surfaces)
        if (tone !== 'open') addFlat(mesh, tone, corners, holes)
      for (const crown of geometry.crowns) addCrown(mesh, crown)
      return mesh
    }),
    ...site.arrays.map(({ id, panels }): Made => {
      const mesh: Made = { name: nameOf(id), triangles: {} }
      for (const { corners } of panels) addFlat(mesh, 'module', corners)
      return mesh
    }),
  ].filter(({ triangles }) => Object.keys(triangles).length > 0)
  return written(made)
}

function partOf({ triangles }: Made, paint: Paint) {
  const part = (triangles[paint] ??= { at: [], normal: [] })
  return (corner: Vec3, normal: Vec3) => {
    part.at.push(...turned(corner))
    part.normal.push(...turned(normal))
  }
}

function addFlat(
  mesh: Made,
  paint: Paint,
  corners: readonly Vec3[],
  holes?: readonly (readonly Vec3[])[],
): void {
  const push = partOf(mesh, paint)
  const normal = unit3(newell(corners))
  for (const triangle of facets(corners, holes)) for (const corner of triangle) push(corner, normal)
}

/** Quarters and rings that an ellipsoid is cut into. */
const [around, rings] = [16, 8]

function addCrown(mesh: Made, { center, crownRadiusM, halfHeightM }: CrownBody): void {
  const push = partOf(mesh, 'leaves')
  const corner = (i: number, j: number) => {
    const [turn, rise] = [(2 * Math.PI * i) / around, Math.PI * (j / rings - 0.5)]
    const unit: Vec3 = [Math.cos(rise) * Math.cos(turn), Math.cos(rise) * Math.sin(turn), Math.sin(rise)]
    push(
      [
        center[0] + unit[0] * crownRadiusM,
        center[1] + unit[1] * crownRadiusM,
        center[2] + unit[2] * halfHeightM,
      ],
      unit3([unit[0] / crownRadiusM, unit[1] / crownRadiusM, unit[2] / halfHeightM]),
    )
  }
  for (let j = 0; j < rings; j++)
    for (let i = 0; i < around; i++) {
      if (j > 0)
        for (const [a, b] of [
          [i, j],
          [i + 1, j],
          [i + 1, j + 1],
        ] as const)
          corner(a, b)
      if (j < rings - 1)
        for (const [a, b] of [
          [i, j],
          [i + 1, j + 1],
          [i, j + 1],
        ] as const)
          corner(a, b)
    }
}

const [arrayBuffer, triangleList, floats] = [34962, 4, 5126]

function written(made: readonly Made[]): Uint8Array<ArrayBuffer> {
  const chunks: Float32Array[] = []
  const views: object[] = []
  const accessors: object[] = []
  let offset = 0
  const add = (values: readonly number[], bounds: boolean): number => {
    const data = Float32Array.from(values)
    views.push({ buffer: 0, byteOffset: offset, byteLength: data.byteLength, target: arrayBuffer })
    accessors.push({
      bufferView: views.length - 1,
      componentType: floats,
      count: data.length / 3,
      type: 'VEC3',
      ...(bounds ? { min: boundOf(data, Math.min), max: boundOf(data, Math.max) } : {}),
    })
    chunks.push(data)
    offset += data.byteLength
    return accessors.length - 1
  }
  const meshes = made.map(({ name, triangles }) => ({
    name,
    primitives: paints.flatMap((paint, material) => {
      const part = triangles[paint]
      return part
        ? [
            {
              attributes: { POSITION: add(part.at, true), NORMAL: add(part.normal, false) },
              material,
              mode: triangleList,
            },
          ]
        : []
    }),
  }))
  const tree = {
    asset: { version: '2.0', generator: 'Tall Gable' },
    scene: 0,
    scenes: [{ nodes: made.map((_, i) => i) }],
    nodes: made.map(({ name }, mesh) => ({ name, mesh })),
    meshes,
    materials: paints.map((name) => ({
      name,
      doubleSided: true,
      pbrMetallicRoughness: { baseColorFactor: colours[name], metallicFactor: 0, roughnessFactor: 0.9 },
    })),
    accessors,
    bufferViews: views,
    buffers: [{ byteLength: offset }],
  }
  return glb(made.length === 0 ? { asset: tree.asset, scene: 0, scenes: [{}] } : tree, chunks, offset)
}

function boundOf(values: Float32Array, pick: (a: number, b: number) => number): number[] {
  const bound = [values[0] ?? 0, values[1] ?? 0, values[2] ?? 0]
  values.forEach((value, i) => (bound[i % 3] = pick(bound[i % 3] ?? value, value)))
  return bound
}

const fourBytes = (length: number) => Math.ceil(length / 4) * 4
const [magic, jsonChunk, binChunk, headBytes, chunkHeadBytes] = [0x46546c67, 0x4e4f534a, 0x004e4942, 12, 8]

/** The container: a head, the tree as JSON padded with blanks, the numbers. */
function glb(tree: object, chunks: readonly Float32Array[], dataBytes: number): Uint8Array<ArrayBuffer> {
  const json = new TextEncoder().encode(JSON.stringify(tree))
  const jsonBytes = fourBytes(json.length)
  const total = headBytes + chunkHeadBytes + jsonBytes + (dataBytes > 0 ? chunkHeadBytes + dataBytes : 0)
  const bytes = new Uint8Array(total)
  const view = new DataView(bytes.buffer)
  const put = (at: number, ...values: number[]) =>
    values.forEach((value, i) => view.setUint32(at + 4 * i, value, true))
  put(0, magic, 2, total, jsonBytes, jsonChunk)
  const jsonAt = headBytes + chunkHeadBytes
  bytes.fill(0x20, jsonAt, jsonAt + jsonBytes)
  bytes.set(json, jsonAt)
  if (dataBytes === 0) return bytes
  put(jsonAt + jsonBytes, dataBytes, binChunk)
  let at = jsonAt + jsonBytes + chunkHeadBytes
  for (const chunk of chunks) {
    chunk.forEach((value, i) => view.setFloat32(at + 4 * i, value, true))
    at += chunk.byteLength
  }
  return bytes
}
