import {
  type Color,
  Group,
  ImageBitmapLoader,
  Mesh,
  MeshLambertMaterial,
  PlaneGeometry,
  type Texture,
  Vector2,
} from 'three'
import { localOf, tileAt, tileCorner, type LatLon, type Tile } from '@/core/geometry/geo'
import { type Vec2 } from '@/core/geometry/vector'
import { type GroundShade } from './ground-shade'
import { litGround, type LightUniforms } from './light'
import { pictureTexture } from './picture-texture'

/**
 * Rings of tiles around the site: the near one sharp, the far one coarse. They are opaque and drawn from above, so that
 * no point of the ground is lit twice. Near tiles are those that come within reach of the site.
 */
const rings = [
  { zoom: 20, reachM: 46, heightM: 0.015, renderOrder: 1 },
  { zoom: 18, reachM: 150, heightM: -0.03, renderOrder: 2 },
] as const

/** In perspective the print fades to bare paper over this way beyond the house, m. */
const fadeWayM = 20

/** What a picture keeps: its shadows are lightened, because the stage casts its own; its colours step back. */
const keptChroma = 0.62
const keptContrast = 0.86
const lightenedShare = 0.6
/** Linear lightness under which a picture is lightened. */
const shadeBelow = 0.2
/** How strongly a muted picture is printed. */
const mutedStrength = 0.74
/** The middle of the lightness that contrast is taken from, linear. */
const middleGrey = 0.22
const printPart = /* glsl */ `
  vec4 sheetTexel = texture2D(map, vMapUv);
  vec3 print = sheetTexel.rgb;
  const vec3 weigh = vec3(0.2126, 0.7152, 0.0722);
  // Shadows of the picture's own hour are what is darkest in it.
  float light = max(0.004, dot(print, weigh));
  print *= pow(max(1.0, ${shadeBelow.toFixed(2)} / light), ${lightenedShare.toFixed(2)} * muted);
  float grey = dot(print, weigh);
  print = mix(vec3(grey), print, mix(1.0, ${keptChroma.toFixed(2)}, muted));
  print = mix(vec3(${middleGrey.toFixed(2)}), print, mix(1.0, ${keptContrast.toFixed(2)}, muted));
  float faded = 1.0 - smoothstep(fade.x, fade.x + ${fadeWayM.toFixed(1)}, length(groundAt - middle)) * fade.y;
  diffuseColor.a *= sheetTexel.a;
  diffuseColor.rgb = mix(paper, print * bright, strength * faded * mix(1.0, ${mutedStrength.toFixed(2)}, muted * fade.y));
`

/** The aerial picture as a printed sheet on the ground, made of XYZ tiles. */
export class AerialSheet {
  readonly group = new Group()
  /** Shared by all tiles: how strong the print is on which paper. */
  readonly #print: {
    readonly strength: { value: number }
    readonly paper: { value: Color }
    readonly bright: { value: number }
    readonly muted: { value: number }
    readonly middle: { value: Vector2 }
    /** From where the print fades, and whether it does. */
    readonly fade: { value: Vector2 }
  }
  readonly #light: LightUniforms
  readonly #shade: GroundShade
  readonly #loader = new ImageBitmapLoader().setOptions({ imageOrientation: 'flipY' })
  readonly #changed: () => void
  readonly #listeners = new Set<(tiles: number) => void>()
  #waiting = 0
  #site: LatLon | null = null
  #tilesUrl = ''

  /** @param paper the colour of the ground, linear; read at every drawing */
  constructor(paper: Color, light: LightUniforms, shade: GroundShade, changed: () => void) {
    this.#print = {
      strength: { value: 1 },
      paper: { value: paper },
      bright: { value: 1 },
      muted: { value: 1 },
      middle: { value: new Vector2() },
      fade: { value: new Vector2(26, 1) },
    }
    this.#light = light
    this.#shade = shade
    this.#changed = changed
  }

  /** Tells how many tiles are still on their way, now and whenever that changes. */
  onWaiting(listener: (tiles: number) => void): () => void {
    this.#listeners.add(listener)
    listener(this.#waiting)
    return () => this.#listeners.delete(listener)
  }

  #wait(tiles: number): void {
    this.#waiting += tiles
    for (const listener of this.#listeners) listener(this.#waiting)
  }

  /** How bright the print is; on dark paper it steps back. */
  setBright(bright: number): void {
    this.#print.bright.value = bright
  }

  /** Lightens the picture's own shadows and colours while the stage casts its own shadows. */
  setMuted(muted: boolean): void {
    this.#print.muted.value = muted ? 1 : 0
  }

  /** @param fades whether the print ends some way beyond a circle around the house; a plan shows all of it */
  setReach(x: number, y: number, radiusM: number, fades: boolean): void {
    this.#print.middle.value.set(x, y)
    this.#print.fade.value.set(radiusM, fades ? 1 : 0)
  }

  /** @param shiftM how far east and north of where it says it lies */
  show(site: LatLon, tilesUrl: string, strength: number, [east, north]: Vec2): void {
    this.#print.strength.value = strength
    this.group.position.set(east, north, 0)
    const isSame =
      this.#site?.latitudeDeg === site.latitudeDeg &&
      this.#site.longitudeDeg === site.longitudeDeg &&
      this.#tilesUrl === tilesUrl
    if (!isSame) {
      this.#site = site
      this.#tilesUrl = tilesUrl
      this.clear()
      for (const { zoom, reachM, ...ring } of rings)
        for (const tile of tilesWithin(site, zoom, reachM)) this.#lay(site, tile, tilesUrl, ring)
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
    this.#wait(1)
    this.#loader.load(
      url,
      (image) => {
        this.#wait(-1)
        if (this.#site !== site) {
          image.close()
          return
        }
        const texture = pictureTexture(image)
        texture.addEventListener('dispose', () => image.close())
        const mesh = new Mesh(new PlaneGeometry(se[0] - nw[0], nw[1] - se[1]), this.printed(texture))
        mesh.position.set((nw[0] + se[0]) / 2, (nw[1] + se[1]) / 2, ring.heightM)
        mesh.receiveShadow = true
        mesh.renderOrder = ring.renderOrder
        this.group.add(mesh)
        this.#changed()
      },
      undefined,
      // A tile that is not there leaves the paper bare.
      () => this.#wait(-1),
    )
  }

  /**
   * A picture on its paper: faint prints let the paper through without being drawn over it.
   * @param strength how strong it is printed, 0..1; the aerial picture's own when not given
   */
  printed(texture: Texture, strength = this.#print.strength): MeshLambertMaterial {
    return litGround(new MeshLambertMaterial({ map: texture }), 'sheet', this.#light, this.#shade, {
      declare: {
        fragment: `uniform vec3 paper;
          uniform float strength;
          uniform float bright;
          uniform float muted;
          uniform vec2 middle;
          uniform vec2 fade;`,
      },
      uniforms: { ...this.#print, strength },
      fragment: { '#include <map_fragment>': printPart },
    })
  }
}

/** The tiles of a zoom that come within a distance of a place. */
function tilesWithin(site: LatLon, zoom: number, reachM: number): Tile[] {
  const middle = tileAt(site, zoom)
  const nw = localOf(site, tileCorner(middle))
  const se = localOf(site, tileCorner({ ...middle, x: middle.x + 1, y: middle.y + 1 }))
  const [wide, high] = [se[0] - nw[0], nw[1] - se[1]]
  const found: Tile[] = []
  const around = Math.ceil(reachM / Math.min(wide, high))
  for (let i = -around; i <= around; i++)
    for (let j = -around; j <= around; j++) {
      const dx = Math.max(0, nw[0] + i * wide, -(se[0] + i * wide))
      const dy = Math.max(0, se[1] - j * high, -(nw[1] - j * high))
      if (Math.hypot(dx, dy) < reachM) found.push({ z: zoom, x: middle.x + i, y: middle.y + j })
    }
  return found
}
