import { type BufferGeometry, type Material, Mesh, type Object3D } from 'three'

const kept = new WeakSet<BufferGeometry>()

/** A shape that many parts of the picture have in common; it is never given back. */
export function shared<T extends BufferGeometry>(geometry: T): T {
  kept.add(geometry)
  return geometry
}

/** What has a shape of its own. */
export const isDrawn = (part: Object3D): part is Mesh<BufferGeometry, Material> => part instanceof Mesh

/** Gives back the shapes a group holds on the graphics card; its paints are kept, and what others use. */
export function disposeShapes(object: Object3D): void {
  object.traverse((part) => {
    if (isDrawn(part) && !kept.has(part.geometry)) part.geometry.dispose()
  })
}
