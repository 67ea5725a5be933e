import { Mesh, MeshLambertMaterial, type Texture, Vector3 } from 'three'
import { GroundSheets, type GroundSheet } from './ground-sheets'

const image = { width: 400, height: 300 } as ImageBitmap
const picture: GroundSheet = {
  id: 'picture',
  image,
  lines: [],
  width: 400,
  height: 300,
  metresPerUnit: 0.05,
  center: [3, 4],
  rotationDeg: 90,
  strength: 0.8,
}
const drawing: GroundSheet = {
  ...picture,
  id: 'drawing',
  image: null,
  lines: [Float64Array.of(-6000, 0, 6000, 0, 6000, 0, 6000, 100)],
  metresPerUnit: 0.001,
  center: [0, 0],
  rotationDeg: 0,
}

function ground() {
  const freed: string[] = []
  let drawn = 0
  const sheets = new GroundSheets(
    {
      printed: (map: Texture) => {
        const material = new MeshLambertMaterial({ map })
        material.addEventListener('dispose', () => freed.push('picture'))
        return material
      },
    },
    () => new MeshLambertMaterial(),
    () => drawn++,
  )
  const meshes = () => {
    const found: Mesh[] = []
    sheets.group.traverse((part) => part instanceof Mesh && found.push(part as Mesh))
    return found
  }
  return { sheets, meshes, freed, drawn: () => drawn }
}

test('a picture lies where it is said, as large and turned as it is', () => {
  const { sheets, meshes, drawn } = ground()
  sheets.show([picture], '#000')
  const [mesh] = meshes()
  if (!mesh) throw new Error('it lies there')
  sheets.group.updateMatrixWorld(true)
  // The middle of its right side: 10 m from its middle, to the north when it is turned a quarter.
  const [x, y, z] = mesh.localToWorld(new Vector3(200, 0, 0)).toArray()
  expect([x, y]).toEqual([expect.closeTo(3, 9), expect.closeTo(14, 9)])
  expect(z).toBeGreaterThan(0)
  expect((mesh.material as MeshLambertMaterial).opacity).toBe(0.8)
  expect(drawn()).toBe(1)
})

test('moved it is the same mesh; another strength or other lines make a new one and free the old', () => {
  const { sheets, meshes, freed } = ground()
  sheets.show([picture, drawing], '#000')
  const [first, second] = meshes()
  sheets.show(
    [
      { ...picture, center: [9, 9] },
      { ...drawing, rotationDeg: 5 },
    ],
    '#000',
  )
  expect(meshes()).toEqual([first, second])
  expect(freed).toEqual([])
  sheets.show(
    [
      { ...picture, strength: 0.5 },
      { ...drawing, lines: [] },
    ],
    '#000',
  )
  expect(freed).toEqual(['picture'])
  expect(meshes()[0]).not.toBe(first)
  expect(meshes()[1]).not.toBe(second)
  sheets.show([drawing], '#000')
  const [dark] = meshes()
  sheets.show([drawing], '#fff')
  expect(meshes()[0]).not.toBe(dark)
  expect(freed).toHaveLength(2)
  sheets.clear()
  expect(meshes()).toEqual([])
})

test('the later lies on the earlier, and what has no strength is not drawn', () => {
  const { sheets, meshes } = ground()
  sheets.show([drawing, picture], '#000')
  const of = (id: 'drawing' | 'picture') => meshes()[id === 'drawing' ? 0 : 1]
  expect(of('picture')?.renderOrder).toBeGreaterThan(of('drawing')?.renderOrder ?? NaN)
  expect(of('picture')?.parent?.position.z).toBeGreaterThan(of('drawing')?.parent?.position.z ?? NaN)
  sheets.show([picture, drawing], '#000')
  expect(of('picture')?.renderOrder).toBeLessThan(of('drawing')?.renderOrder ?? NaN)
  sheets.show([{ ...picture, strength: 0 }], '#000')
  expect(meshes()[0]?.parent?.visible).toBe(false)
})
