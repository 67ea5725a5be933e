import {
  type Color,
  Group,
  Mesh,
  MeshLambertMaterial,
  PlaneGeometry,
  SRGBColorSpace,
  type Texture,
  TextureLoader,
} from 'three'
import { localOf, tileAt, tileCorner, type LatLon, type Tile } from '@/core/geometry/geo'

/**
 * Rings of tiles around the site: the near one sharp, the far one coarse. They are opaque and drawn from above, so that
 * no point of the ground is lit twice.
 */
const rings = [
  { zoom: 20, around: 2, heightM: 0.015, renderOrder: 1 },
  { zoom: 18, around: 1, heightM: -0.03, renderOrder: 2 },
] as const

/** The aerial picture as a printed sheet on the ground, made of XYZ tiles. */
export class AerialSheet {
  readonly group = new Group()
  /** Shared by all tiles: how strong the print is on which paper. */
  readonly #print: { readonly strength: { value: number }; readonly paper: { value: Color } }
  readonly #loader = new TextureLoader()
  readonly #changed: () => void
  #site: LatLon | null = null

  /** @param paper the colour of the ground, linear; read at every drawing */
  constructor(paper: Color, changed: () => void) {
    this.#print = { strength: { value: 1 }, paper: { value: paper } }
    this.#changed = changed
  }

  show(site: LatLon, tilesUrl: string, strength: number): void {
    this.#print.strength.value = strength
    if (this.#site?.latitudeDeg !== site.latitudeDeg || this.#site.longitudeDeg !== site.longitudeDeg) {
      this.#site = site
      this.clear()
      for (const { zoom, around, ...ring } of rings) {
        const middle = tileAt(site, zoom)
        for (let x = -around; x <= around; x++)
          for (let y = -around; y <= around; y++)
            this.#lay(site, { z: zoom, x: middle.x + x, y: middle.y + y }, tilesUrl, ring)
      }
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

  #lay(
    site: LatLon,
    tile: Tile,
    tilesUrl: string,
    ring: { readonly heightM: number; readonly renderOrder: number },
  ): void {
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
        const mesh = new Mesh(new PlaneGeometry(se[0] - nw[0], nw[1] - se[1]), this.#printed(texture))
        mesh.position.set((nw[0] + se[0]) / 2, (nw[1] + se[1]) / 2, ring.heightM)
        mesh.receiveShadow = true
        mesh.renderOrder = ring.renderOrder
        this.group.add(mesh)
        this.#changed()
      },
      undefined,
      // A tile that is not there leaves the paper bare.
      () => undefined,
    )
  }

  /** A tile on its paper: faint prints let the paper through without being drawn over it. */
  #printed(texture: Texture): MeshLambertMaterial {
    const material = new MeshLambertMaterial({ map: texture })
    material.onBeforeCompile = (shader) => {
      Object.assign(shader.uniforms, this.#print)
      shader.fragmentShader =
        `uniform vec3 paper;\nuniform float strength;\n${shader.fragmentShader}`.replace(
          '#include <map_fragment>',
          'diffuseColor.rgb = mix(paper, texture2D(map, vMapUv).rgb, strength);',
        )
    }
    return material
  }
}
