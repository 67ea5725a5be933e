import {
  Box3,
  Color,
  Mesh,
  MeshLambertMaterial,
  PCFShadowMap,
  PlaneGeometry,
  Scene,
  Sphere,
  Vector3,
  WebGLRenderer,
} from 'three'
import { type LatLon } from '@/core/geometry/geo'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { frameOfSite } from '@/core/site/frame'
import { isRoofed, type Site } from '@/core/site/site'
import { dressCrowns } from './crowns'
import { FinerAtRest } from './finer'
import { GroundSheets } from './ground-sheets'
import { GroundShade } from './ground-shade'
import { castBy, Light, litGround } from './light'
import { Maquette, type Emphasis } from './maquette'
import './one-reading'
import { Paints } from './paints'
import { type Palette } from './palette'
import { AerialSheet } from './sheet'
import { Sight } from './sight'

/** Steps in which the reach of the shadow map grows with what stands there, so that its grain rests while drawing. */
const shadowStepM = 4
/** Points of the shadow map that a face is moved by before it is asked whether it lies in shadow. */
const shadowPoints = 2.2
/** How far beyond what casts shadows the sun's eye stands, and how far beyond it shadows reach. */
const sunClearM = 60
const longestShadowM = 180
const paperM = 900
/** How long a change that no hand is waiting for may stand before it is drawn. */
const restMs = 320

/** Points of the picture along one of the page's, where the stage is at rest. */
const finest = 2

/** Of the picture around the house that does not fade, m. */
const clearPrintM = 9

/** Corners of the roofs that carry modules, and of the modules themselves. */
function pointsToSee(site: Site): Vec3[] {
  const corners = site.arrays.flatMap(({ panels }) => panels.flatMap((panel) => panel.corners))
  const roofs = site.objects
    .filter(isRoofed)
    .flatMap(({ geometry }) =>
      geometry.surfaces.filter(({ tone }) => tone === 'roof').flatMap((s) => s.corners),
    )
  return [...corners, ...roofs]
}

/** What shades the ground. */
const facesOf = (site: Site) =>
  site.objects.map(({ geometry }) => geometry.faces).filter(({ length }) => length > 0)

/** The stage: one scene, drawn only when something changes. */
export class StageView {
  readonly #renderer: WebGLRenderer
  readonly #scene = new Scene()
  readonly sight: Sight
  readonly #light = new Light()
  readonly #groundShade = new GroundShade()
  readonly #sunward = new Vector3(0, 0, 1)
  #sunAwayM = sunClearM
  readonly #paper: Mesh<PlaneGeometry, MeshLambertMaterial>
  readonly #paints = new Paints(this.#light)
  readonly #maquette = new Maquette(this.#paints)
  readonly sheet: AerialSheet
  /** Own pictures and drawings. */
  readonly grounds: GroundSheets
  readonly #listeners = new Set<() => void>()
  #frame = 0
  #later: ReturnType<typeof setTimeout> | undefined
  readonly #finer: FinerAtRest
  #shading: ReturnType<typeof setTimeout> | undefined
  /** The roofs that the ground's shade belongs to. */
  #shadedBy: readonly unknown[] = []
  #shown: Site | null = null
  #mustBeSeen: readonly Vec3[] = []
  #month = 5
  /** Of the house, m. */
  #middle: { at: Vec2; radiusM: number } = { at: [0, 0], radiusM: 10 }

  constructor(canvas: HTMLCanvasElement) {
    this.#renderer = new WebGLRenderer({
      canvas,
      // The ink is smooth by itself; a picture drawn twice as fine where that is quick needs no more.
      antialias: false,
      alpha: false,
      powerPreference: 'high-performance',
    })
    // It asks for no other kind.
    const context = this.#renderer.getContext() as WebGL2RenderingContext
    this.#finer = new FinerAtRest(context, () => this.#drawNow(finest))
    // Asking whether a shader compiled waits until it has.
    this.#renderer.debug.checkShaderErrors = true
    this.#renderer.shadowMap.enabled = true
    this.#renderer.shadowMap.type = PCFShadowMap
    this.#renderer.shadowMap.autoUpdate = false
    this.sight = new Sight(canvas, { moved: () => this.draw(), changed: () => this.#fitSheet() })
    const { sun, sky, uniforms } = this.#light
    sun.castShadow = true
    sun.shadow.mapSize.set(2048, 2048)
    sun.shadow.bias = -0.0003
    this.#paper = new Mesh(
      new PlaneGeometry(paperM, paperM),
      litGround(new MeshLambertMaterial(), 'paper', uniforms, this.#groundShade),
    )
    this.#paper.receiveShadow = true
    // Under the sheet, and drawn last: what lies on it hides it.
    this.#paper.position.z = -0.08
    this.#paper.renderOrder = 3
    this.sheet = new AerialSheet(this.#paper.material.color, uniforms, this.#groundShade, () => this.draw())
    this.grounds = new GroundSheets(
      this.sheet,
      () => this.#paints.ink(),
      () => this.draw(),
    )
    this.#scene.add(
      sun,
      sun.target,
      sky,
      this.#paper,
      this.sheet.group,
      this.grounds.group,
      this.#maquette.group,
    )
  }

  onDraw(listener: () => void): () => void {
    this.#listeners.add(listener)
    return () => this.#listeners.delete(listener)
  }

  resize(width: number, height: number): void {
    if (width === 0 || height === 0 || !this.sight.resize(width, height)) return
    this.#setGrain(1)
    // At once: a canvas that was resized is empty until it is drawn.
    this.#drawNow()
  }

  /**
   * @param inHand a gesture is running: every change is drawn at once. Else the picture waits a moment, so that an edit
   * and the figures it leads to are drawn together and the figures are not kept waiting.
   */
  show(site: Site, palette: Palette, emphasis: Emphasis, inHand = true): void {
    this.#finer.stop()
    this.#maquette.show(site, { palette, emphasis })
    this.#paints.tidy()
    this.#scene.background = new Color(palette.paper)
    this.#paper.material.color.set(palette.paper)
    this.#light.setRoom(palette.light)
    this.sheet.setBright(palette.light.print)
    if (site !== this.#shown) {
      this.#fitShadows()
      this.#mustBeSeen = pointsToSee(site)
      const frame = frameOfSite(site)
      if (frame) this.#middle = { at: frame.middle, radiusM: frame.radiusM }
      this.#fitSheet()
      this.#shadeGround(site)
    }
    this.#shown = site
    // Either the stage's shadows are seen or the picture's own.
    this.sheet.setMuted(!emphasis.glass)
    this.#light.sun.shadow.intensity = emphasis.glass ? 0 : 1
    if (inHand) this.draw()
    else {
      clearTimeout(this.#later)
      this.#later = setTimeout(() => this.draw(), restMs)
    }
  }

  showSheet(place: LatLon, tilesUrl: string, strength: number, shiftM: Vec2): void {
    this.sheet.show(place, tilesUrl, strength, shiftM)
    this.draw()
  }

  /**
   * @param direction towards the sun; below the horizon it goes out
   * @param month 0 for January: when trees are bare
   */
  setSun(direction: Vec3, month: number): void {
    this.#light.setHeight(direction[2])
    this.#sunward.copy(castBy(direction))
    this.#month = month
    this.#placeSun()
    this.draw()
  }

  /** For pages where there is nothing to draw: the left button and one finger turn the house. */
  turnWithLeft(zooms = false): void {
    this.sight.turnWithLeft(zooms)
    this.#finer.bePatient()
  }

  draw(): void {
    if (this.#frame) return
    this.#frame = requestAnimationFrame(() => this.#drawNow())
  }

  /** A picture of the stage as it is now. */
  picture(): string {
    if (this.#shown) this.#shadeNow(this.#shown, facesOf(this.#shown))
    this.#drawNow(finest)
    return this.#renderer.domElement.toDataURL('image/png')
  }

  dispose(): void {
    cancelAnimationFrame(this.#frame)
    clearTimeout(this.#later)
    this.#finer.stop()
    clearTimeout(this.#shading)
    this.#groundShade.dispose()
    this.#maquette.dispose()
    this.#paints.dispose()
    this.sheet.clear()
    this.grounds.clear()
    this.sight.dispose()
    this.#renderer.dispose()
  }

  #drawNow(grain = 1): void {
    cancelAnimationFrame(this.#frame)
    clearTimeout(this.#later)
    this.#finer.stop()
    this.#frame = 0
    this.#setGrain(grain)
    this.#clearTheView()
    const began = performance.now()
    this.#renderer.render(this.#scene, this.sight.camera)
    for (const listener of this.#listeners) listener()
    if (grain === 1) this.#finer.begin(began)
  }

  /** @param grain points of the picture along one of the screen's own */
  #setGrain(grain: number): void {
    const ratio = Math.min(finest, window.devicePixelRatio * grain)
    const [width, height] = this.sight.pageSize
    const { domElement } = this.#renderer
    const fits =
      domElement.width === Math.floor(width * ratio) && domElement.height === Math.floor(height * ratio)
    if (!fits || this.#renderer.getPixelRatio() !== ratio) {
      this.#renderer.setPixelRatio(ratio)
      this.#renderer.setSize(width, height, false)
    }
    this.#paints.viewport.value = [width * ratio, height * ratio]
    this.#paints.pixelRatio.value = ratio
  }

  /** Crowns that hide the house or a module become outlines; in winter many stand bare. */
  #clearTheView(): void {
    const from = (point: Vec3) => this.sight.eyeFor(point)
    if (dressCrowns(this.#maquette.group, this.#mustBeSeen, from, this.#month))
      this.#renderer.shadowMap.needsUpdate = true
  }

  /** When the hand rests: where no house has changed, nothing is to be done. */
  #shadeGround(site: Site): void {
    const faces = facesOf(site)
    if (faces.length === this.#shadedBy.length && faces.every((face, i) => face === this.#shadedBy[i])) return
    clearTimeout(this.#shading)
    this.#shading = setTimeout(() => {
      this.#shadeNow(site, faces)
      this.draw()
    }, restMs)
  }

  #shadeNow(site: Site, faces: readonly unknown[]): void {
    clearTimeout(this.#shading)
    this.#shadedBy = faces
    this.#groundShade.fit(site, this.#middle.at)
  }

  /** The print ends some way beyond the house in perspective; a plan shows all of it. */
  #fitSheet(): void {
    const { at, radiusM } = this.#middle
    this.sheet.setReach(at[0], at[1], radiusM + clearPrintM, !this.sight.isPlan)
  }

  /** Has the shadow map cover what casts shadows and no more: the less it covers, the finer it is. */
  #fitShadows(): void {
    const maquette = this.#maquette.group
    const ball = new Box3().setFromObject(maquette).getBoundingSphere(new Sphere())
    const { sun } = this.#light
    const reach = Math.max(1, Math.ceil(Math.max(0, ball.radius) / shadowStepM)) * shadowStepM
    const { camera } = sun.shadow
    camera.left = camera.bottom = -reach
    camera.right = camera.top = reach
    camera.near = 1
    camera.far = 2 * reach + sunClearM + longestShadowM
    camera.updateProjectionMatrix()
    // A point of the map covers more ground the farther it reaches; faces must not shade themselves within it.
    sun.shadow.normalBias = ((2 * reach) / sun.shadow.mapSize.x) * shadowPoints
    this.#sunAwayM = reach + sunClearM
    sun.target.position.copy(ball.radius > 0 ? ball.center : new Vector3())
    this.#placeSun()
  }

  #placeSun(): void {
    const { sun } = this.#light
    const { target } = sun
    sun.position.copy(this.#sunward).multiplyScalar(this.#sunAwayM).add(target.position)
    this.#renderer.shadowMap.needsUpdate = true
  }
}
