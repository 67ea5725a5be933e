import { Document, WebIO } from '@gltf-transform/core'
import { Fault } from '../../model/fault'
import { seededRandom } from '../../model/random'
import { mostTriangles, type ReadModel } from './mesh'
import { readModel } from './read-model'
import { boxIfc } from './testing'

const bytesOf = (text: string) => new TextEncoder().encode(text)
const codeOf = (bytes: Uint8Array) =>
  readModel(bytes).then(
    () => 'read',
    (error: unknown) => {
      if (error instanceof Fault) return error.code
      throw error
    },
  )
/** Lengths along the file's axes. */
const extents = ({ positions }: ReadModel) =>
  [0, 1, 2].map((axis) => {
    const along = [...positions].filter((_, i) => i % 3 === axis)
    return Math.max(...along) - Math.min(...along)
  })
/** Six times what closed triangles enclose, with its sign: the sum of the spats of their corners. */
const volumeOf = ({ positions: p, indices }: ReadModel) => {
  let six = 0
  for (let k = 0; k < indices.length; k += 3) {
    const [a, b, c] = [0, 1, 2].map((n) => [0, 1, 2].map((axis) => p[(indices[k + n] ?? 0) * 3 + axis] ?? 0))
    if (!a || !b || !c) throw new Error('three corners')
    const spat = (i: number, j: number, l: number) =>
      (a[i] ?? 0) * ((b[j] ?? 0) * (c[l] ?? 0) - (b[l] ?? 0) * (c[j] ?? 0))
    six += spat(0, 1, 2) + spat(1, 2, 0) + spat(2, 0, 1)
  }
  return six / 6
}

const cube = `# a made-up cube, 2 wide
mtllib none.mtl
o Cube
v -1 -1 -1
v 1 -1 -1
v 1 1 -1
v -1 1 -1
v -1 -1 1
v 1 -1 1
v 1 1 1
v -1 1 1
f 4 3 2 1
f 5/1 6/2 7/3 8/4
f 1//1 2//1 6//1 5//1
f -6 -5 -1 -2
f 3 4 8 \\
  7
f 4 1 5 8
`

test('an OBJ of four-sided faces, relative numbers and a line that goes on is a cube of 8', async () => {
  const model = await readModel(bytesOf(cube))
  expect(model).toMatchObject({ format: 'obj', metresPerUnit: null, up: null, fileTriangles: 12, offBy: 0 })
  expect(extents(model)).toEqual([2, 2, 2])
  expect(volumeOf(model)).toBeCloseTo(8, 6)
  expect(await codeOf(bytesOf(`\ufeff${cube.replaceAll('\n', '\r\n')}`))).toBe('read')
})

test('in the grid of a country, with seven digits before the point, a millimetre is still one', async () => {
  const far = ['0 0', '0.004 0', '0.004 3', '0 3'].map((p) => {
    const [x = 0, y = 0] = p.split(' ').map(Number)
    return `v ${(4_512_345.12 + x).toFixed(3)} ${(587_654.3 + y).toFixed(3)} 214.5`
  })
  const [wide = 0, deep = 0] = extents(await readModel(bytesOf(`${far.join('\n')}\nf 1 2 3 4\n`)))
  expect([wide * 1000, deep]).toEqual([expect.closeTo(4, 3), expect.closeTo(3, 6)])
})

test('a face with a bay keeps its bay', async () => {
  // A U of area 7 in a square of 9: the bay has 1 x 2.
  const bay = ['0 0', '3 0', '3 3', '2 3', '2 1', '1 1', '1 3', '0 3'].map((p) => `v ${p} 0`)
  const { positions: p, indices } = await readModel(bytesOf(`${bay.join('\n')}\nf 1 2 3 4 5 6 7 8\n`))
  let area = 0
  for (let k = 0; k < indices.length; k += 3) {
    const [a, b, c] = [0, 1, 2].map((n) => (indices[k + n] ?? 0) * 3)
    if (a === undefined || b === undefined || c === undefined) continue
    const at = (i: number) => p[i] ?? 0
    area += ((at(b) - at(a)) * (at(c + 1) - at(a + 1)) - (at(c) - at(a)) * (at(b + 1) - at(a + 1))) / 2
  }
  expect(area).toBeCloseTo(7, 6)
})

test('of a broken OBJ the line is told', async () => {
  const faultOf = (text: string): Promise<unknown> =>
    readModel(bytesOf(text)).catch((error: unknown) => error)
  const broken = (line: number) => ({ code: 'broken-obj', data: { line } })
  expect(await faultOf('v 1 2\nf 1 1 1\n')).toMatchObject(broken(1))
  expect(await faultOf('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 4\n')).toMatchObject(broken(4))
  expect(await faultOf('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2\n')).toMatchObject(broken(4))
  expect(await faultOf('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 0 1 2\n')).toMatchObject(broken(4))
  expect(await faultOf('v 0,5 0 0\n')).toMatchObject(broken(1))
  expect(await faultOf('v 0 0 0\n')).toMatchObject({ code: 'empty-model' })
})

const slab = () => {
  const document = new Document()
  const buffer = document.createBuffer()
  const positions = new Float32Array([0, 0, 0, 1, 0, 0, 1, 0, -1, 0, 0, -1])
  const position = document.createAccessor().setType('VEC3').setArray(positions).setBuffer(buffer)
  const primitive = (mode: 4 | 5 | 6, order: number[]) =>
    document
      .createPrimitive()
      .setMode(mode)
      .setAttribute('POSITION', position)
      .setIndices(document.createAccessor().setArray(new Uint16Array(order)).setBuffer(buffer))
  const mesh = document
    .createMesh()
    .addPrimitive(primitive(4, [0, 1, 2]))
    .addPrimitive(primitive(6, [0, 1, 2, 3]))
    .addPrimitive(primitive(5, [0, 1, 3, 2]))
  const inner = document.createNode().setMesh(mesh).setTranslation([1, 2, 3])
  const outer = document.createNode().addChild(inner).setScale([2, 2, 2])
  document.createScene().addChild(outer)
  return document
}

test('a glTF stands where its scene has it, binary and as text: triangles, a fan, a strip', async () => {
  const io = new WebIO()
  const binary = await readModel(await io.writeBinary(slab()))
  expect(binary).toMatchObject({ format: 'gltf', metresPerUnit: 1, up: 'y', fileTriangles: 5 })
  expect(extents(binary)).toEqual([2, 0, 2])
  const { json, resources } = await io.writeJSON(slab())
  const [uri = ''] = Object.keys(resources)
  expect(await codeOf(bytesOf(JSON.stringify(json)))).toBe('gltf-elsewhere')
  const base64 = Buffer.from(resources[uri] ?? []).toString('base64')
  const inside = {
    ...json,
    buffers: [{ ...json.buffers?.[0], uri: `data:application/octet-stream;base64,${base64}` }],
    // What it looks like may lie elsewhere: nobody asks for it.
    images: [{ uri: 'https://example.invalid/brick.png' }],
  }
  const text = await readModel(bytesOf(JSON.stringify(inside)))
  expect([text.positions, text.indices]).toEqual([binary.positions, binary.indices])
  for (const buffers of [null, [null], [{ uri: 7 }], [{ uri: 'data:;base64,=A' }], 'no'])
    expect(await codeOf(bytesOf(JSON.stringify({ ...inside, buffers })))).toMatch(
      /^(broken-gltf|gltf-elsewhere)$/,
    )
  const packed = {
    ...inside,
    extensionsRequired: ['KHR_draco_mesh_compression'],
    extensionsUsed: ['KHR_draco_mesh_compression'],
  }
  expect(await codeOf(bytesOf(JSON.stringify(packed)))).toBe('gltf-packed')
})

test('the solids of a building model stand in metres: one extruded, one of faces', async () => {
  const model = await readModel(bytesOf(boxIfc()))
  expect(model).toMatchObject({ format: 'ifc', metresPerUnit: 1, up: 'y', fileTriangles: 12 + 4 })
  const [x = 0, y = 0, z = 0] = extents(model)
  expect([x, y, z].map((m) => Number(m.toFixed(4)))).toEqual([4, 4, 3])
  // A box of 30 and a quarter of a pyramid: 2 x 1 / 2 x 1.5 / 3.
  expect(volumeOf(model)).toBeCloseTo(30.5, 3)
  const none = boxIfc().replace(/DATA;[^]*ENDSEC;\nEND/, 'DATA;\nENDSEC;\nEND')
  expect(await codeOf(bytesOf(none))).toMatch(/empty-model|unreadable-ifc/)
})

test('what is none of them is told so', async () => {
  expect(await codeOf(bytesOf('{"a": 1}'))).toBe('not-a-model')
  expect(await codeOf(bytesOf('hello'))).toBe('not-a-model')
  expect(await codeOf(new Uint8Array([0x89, 0x50, 0x4e, 0x47]))).toBe('not-a-model')
  expect(await codeOf(new Uint8Array())).toBe('not-a-model')
  expect(await codeOf(new Uint8Array(49_000_000))).toBe('too-large')
})

test('a heavy model is made lighter, keeps its size, and says how far it is off', async () => {
  // A dome of 40,000 triangles, of which 200 at its top are none, radius 10.
  const [rings, turns] = [100, 200]
  const lines: string[] = []
  for (let r = 0; r <= rings; r++)
    for (let t = 0; t < turns; t++) {
      const [up, round] = [(r / rings) * (Math.PI / 2), (t / turns) * 2 * Math.PI]
      const at = [Math.cos(up) * Math.cos(round), Math.cos(up) * Math.sin(round), Math.sin(up)]
      lines.push(`v ${at.map((n) => (10 * n).toFixed(6)).join(' ')}`)
    }
  for (let r = 0; r < rings; r++)
    for (let t = 0; t < turns; t++) {
      const [a, b] = [r * turns + t + 1, r * turns + ((t + 1) % turns) + 1]
      lines.push(`f ${a} ${b} ${b + turns} ${a + turns}`)
    }
  const model = await readModel(bytesOf(lines.join('\n')))
  expect(model.fileTriangles).toBe(39_800)
  expect(model.indices.length / 3).toBeLessThanOrEqual(mostTriangles)
  expect(model.offBy).toBeGreaterThan(0)
  expect(model.offBy).toBeLessThan(0.2)
  for (const [axis, length] of extents(model).entries())
    expect(Math.abs(length - (axis < 2 ? 20 : 10))).toBeLessThan(0.3)
  // Every corner that is left is as near the dome as it says.
  for (let v = 0; v < model.positions.length; v += 3) {
    // About the first of them, which lies at 10, 0, 0.
    const [x = 0, y = 0, z = 0] = model.positions.subarray(v, v + 3)
    expect(Math.abs(Math.hypot(10 + x, y, z) - 10)).toBeLessThan(2 * model.offBy)
  }
})

test('damaged files are read or refused with a reason, and never anything else', async () => {
  const random = seededRandom(20_261_126)
  const sources = [bytesOf(cube), await new WebIO().writeBinary(slab())]
  const codes = new Set<string>()
  for (let k = 0; k < 240; k++) {
    const source = sources[k % sources.length] ?? new Uint8Array()
    const bytes = source.slice(0, random() < 0.3 ? Math.floor(random() * source.length) : source.length)
    const hits = 1 + Math.floor(random() * 6)
    for (let h = 0; h < hits; h++) bytes[Math.floor(random() * bytes.length)] = Math.floor(random() * 256)
    codes.add(await codeOf(bytes))
  }
  expect([...codes].toSorted()).toEqual(expect.arrayContaining(['broken-gltf', 'broken-obj', 'read']))
}, 120_000)
