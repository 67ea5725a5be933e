import { Group, Mesh, MeshLambertMaterial, PlaneGeometry, SRGBColorSpace, TextureLoader } from 'three'
import { localOf, tileAt, tileCorner, type LatLon, type Tile } from '@/core/geometry/geo'

/** Rings of tiles around the site: the near one sharp, the far one coarse. */
const rings = [
  { zoom: 18, around: 1, heightM: 0.0 },
  { zoom: 20, around: 2, heightM: 0.015 },
] as const

/** The aerial picture as a printed sheet on the ground, made of XYZ tiles. */
export class AerialSheet {
  readonly group = new Group()
  readonly #loader = new TextureLoader()
  readonly #changed: () => void
  #strength = 1
  #site: LatLon | null = null

  constructor(changed: () => void) {
    this.#changed = changed
  }

  show(site: LatLon, tilesUrl: string, strength: number): void {
    this.#strength = strength
    if (this.#site?.latitudeDeg !== site.latitudeDeg || this.#site.longitudeDeg !== site.longitudeDeg) {
      this.#site = site
      this.clear()
      for (const { zoom, around, heightM } of rings) {
        const middle = tileAt(site, zoom)
        for (let x = -around; x <= around; x++)
          for (let y = -around; y <= around; y++)
            this.#lay(site, { z: zoom, x: middle.x + x, y: middle.y + y }, tilesUrl, heightM)
      }
    }
    for (const part of this.group.children) {
      const material = (part as Mesh<PlaneGeometry, MeshLambertMaterial>).material
      material.opacity = strength
    }
    this.group.visible = strength > 0.01
  }

  clear(): void {
    for (const part of [...this.group.children]) {
      const mesh = part as Mesh<PlaneGeometry, MeshLambertMaterial>
      mesh.material.map?.dispose()
      mesh.material.dispose()
      mesh.geometry.dispose()
      this.group.remove(part)
    }
  }

  #lay(site: LatLon, tile: Tile, tilesUrl: string, heightM: number): void {
    const nw = localOf(site, tileCorner(tile))
    const se = localOf(site, tileCorner({ ...tile, x: tile.x + 1, y: tile.y + 1 }))
    const url = tilesUrl
      .replace('{z}', String(tile.z))
      .replace('{x}', String(tile.x))
      .replace('{y}', String(tile.y))
    this.#loader.load(
      url,
      (texture) => {
        if (this.#site !== site) return
        texture.colorSpace = SRGBColorSpace
        texture.anisotropy = 4
        const mesh = new Mesh(
          new PlaneGeometry(se[0] - nw[0], nw[1] - se[1]),
          new MeshLambertMaterial({
            map: texture,
            transparent: true,
            opacity: this.#strength,
            depthWrite: false,
          }),
        )
        mesh.position.set((nw[0] + se[0]) / 2, (nw[1] + se[1]) / 2, heightM)
        mesh.receiveShadow = true
        mesh.renderOrder = heightM > 0 ? 2 : 1
        this.group.add(mesh)
        this.#changed()
      },
      undefined,
      // A tile that is not there leaves the paper bare.
      () => undefined,
    )
  }
}
