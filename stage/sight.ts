import {
  MOUSE,
  OrthographicCamera,
  PerspectiveCamera,
  Raycaster,
  TOUCH,
  Vector2,
  Vector3,
  type Camera,
} from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import { type Ray } from '@/core/geometry/ray'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'

/** Above everything. */
const highM = 400
/** Where a plan is looked at from. */
const planEyeM = 200

/** Who hears of what is looked at. */
interface Seeing {
  /** It is seen from elsewhere. */
  readonly moved: () => void
  /** A plan has taken the place of the perspective, or the other way round. */
  readonly changed: () => void
}

/** Where the stage is looked at from: a perspective and a plan, one of them at a time, and the hand on both. */
export class Sight {
  readonly #perspective = new PerspectiveCamera(32, 1, 0.5, 1200)
  readonly #plan = new OrthographicCamera(-20, 20, 20, -20, 0.5, 1200)
  readonly #controls: { perspective: OrbitControls; plan: OrbitControls }
  readonly #canvas: HTMLCanvasElement
  readonly #seeing: Seeing
  #pageSize: Vec2 = [1, 1]
  #isPlan = false
  #halfHeightM = 24

  constructor(canvas: HTMLCanvasElement, seeing: Seeing) {
    this.#canvas = canvas
    this.#seeing = seeing
    this.#plan.up.set(0, 1, 0)
    this.#perspective.up.set(0, 0, 1)
    this.#perspective.position.set(18, -34, 30)
    this.#plan.position.set(0, 0, planEyeM)
    this.#controls = {
      perspective: this.#makeControls(this.#perspective),
      plan: this.#makeControls(this.#plan),
    }
    this.#controls.plan.enableRotate = false
    this.#controls.plan.screenSpacePanning = true
    this.#controls.perspective.maxPolarAngle = Math.PI / 2 - 0.03
    this.#controls.perspective.target.set(0, 0, 2.5)
    this.#controls.plan.enabled = false
  }

  /** Width and height, px, as it was last told. */
  get pageSize(): Vec2 {
    return this.#pageSize
  }

  get camera(): Camera {
    return this.#isPlan ? this.#plan : this.#perspective
  }

  /** @returns whether it was another size before */
  resize(width: number, height: number): boolean {
    const [wide, high] = this.#pageSize
    if (width === wide && height === high) return false
    this.#pageSize = [width, height]
    this.#perspective.aspect = width / height
    this.#perspective.updateProjectionMatrix()
    this.#framePlan(width / height)
    return true
  }

  /** The eye that sees a point; of a plan it is above that. */
  eyeFor([x, y]: Vec3): Vec3 {
    const { position } = this.#perspective
    return this.#isPlan ? [x, y, highM] : [position.x, position.y, position.z]
  }

  get isPlan(): boolean {
    return this.#isPlan
  }

  setPlan(plan: boolean): void {
    if (plan === this.#isPlan) return
    this.#isPlan = plan
    const { perspective, plan: flat } = this.#controls
    if (plan) {
      const { target } = perspective
      this.#plan.position.set(target.x, target.y, planEyeM)
      flat.target.set(target.x, target.y, 0)
      this.#halfHeightM =
        this.#perspective.position.distanceTo(target) * Math.tan((this.#perspective.fov * Math.PI) / 360)
      this.#plan.zoom = 1
      this.#framePlan(this.#perspective.aspect)
    } else {
      const shift = new Vector3(flat.target.x - perspective.target.x, flat.target.y - perspective.target.y, 0)
      perspective.target.add(shift)
      this.#perspective.position.add(shift)
    }
    perspective.enabled = !plan
    flat.enabled = plan
    this.#seeing.changed()
    ;(plan ? flat : perspective).update()
    this.#seeing.moved()
  }

  /** Brings a circle of the ground into view, seen from the sunny side: the south, or south of the equator the north. */
  lookAt([x, y]: Vec2, radiusM: number, heightM: number, southern = false): void {
    const { perspective, plan } = this.#controls
    const distance =
      (radiusM * 1.15) /
      Math.sin((this.#perspective.fov * Math.PI) / 360) /
      Math.min(1, this.#perspective.aspect)
    perspective.target.set(x, y, heightM)
    this.#perspective.position.set(
      x + distance * 0.4,
      y + distance * (southern ? 0.66 : -0.66),
      heightM + distance * 0.58,
    )
    plan.target.set(x, y, 0)
    this.#plan.position.set(x, y, planEyeM)
    this.#plan.zoom = 1
    this.#halfHeightM = radiusM * 1.15
    this.#framePlan(this.#perspective.aspect)
    perspective.update()
    plan.update()
    this.#seeing.moved()
  }

  /** Where it is looked from: eye and target, metres, and half the height of a plan, 0 in perspective. */
  eye(): readonly number[] {
    const { perspective, plan } = this.#controls
    return this.#isPlan
      ? [...this.#plan.position.toArray(), ...plan.target.toArray(), this.#halfHeightM / this.#plan.zoom]
      : [...this.#perspective.position.toArray(), ...perspective.target.toArray(), 0]
  }

  /** Looks from where `eye` once told; in plan a plan's eye, in perspective one of those. */
  lookThrough([x = 0, y = 0, z = 0, tx = 0, ty = 0, tz = 0, halfHeightM = 0]: readonly number[]): void {
    const { perspective, plan } = this.#controls
    if (halfHeightM > 0 !== this.#isPlan) return
    if (this.#isPlan) {
      this.#plan.position.set(x, y, z)
      plan.target.set(tx, ty, tz)
      this.#plan.zoom = 1
      this.#halfHeightM = halfHeightM
      this.#framePlan(this.#perspective.aspect)
      plan.update()
    } else {
      this.#perspective.position.set(x, y, z)
      perspective.target.set(tx, ty, tz)
      perspective.update()
    }
    this.#seeing.moved()
  }

  /** Turns the view to look from a direction: degrees clockwise from north. */
  lookFrom(azimuthDeg: number, elevationDeg: number): void {
    const { perspective } = this.#controls
    const distance = this.#perspective.position.distanceTo(perspective.target)
    const [a, e] = [(azimuthDeg * Math.PI) / 180, (elevationDeg * Math.PI) / 180]
    this.#perspective.position
      .set(Math.sin(a) * Math.cos(e), Math.cos(a) * Math.cos(e), Math.sin(e))
      .multiplyScalar(distance)
      .add(perspective.target)
    perspective.update()
    this.#seeing.moved()
  }

  /** Turns the view on its way round what it looks at, and up or down as far as the hand could. */
  turn(byAzimuthDeg: number, byElevationDeg: number): void {
    const { target } = this.#controls.perspective
    const [x, y, z] = this.#perspective.position.clone().sub(target).toArray()
    const elevationDeg = (Math.atan2(z, Math.hypot(x, y)) * 180) / Math.PI
    this.lookFrom(
      (Math.atan2(x, y) * 180) / Math.PI + byAzimuthDeg,
      Math.max(5, Math.min(85, elevationDeg + byElevationDeg)),
    )
  }

  /**
   * For pages where there is nothing to draw: the left button and one finger turn the house.
   * @param zooms the wheel brings it nearer; else it is the page's
   */
  turnWithLeft(zooms = false): void {
    const { perspective } = this.#controls
    perspective.mouseButtons = { LEFT: MOUSE.ROTATE, MIDDLE: MOUSE.PAN, RIGHT: MOUSE.PAN }
    perspective.touches = { ONE: TOUCH.ROTATE, TWO: TOUCH.DOLLY_PAN }
    perspective.enableZoom = zooms
  }

  /** The ray of sight under a pixel of the canvas. */
  rayAt([px, py]: Vec2): Ray {
    const { width, height } = this.#size()
    const caster = new Raycaster()
    caster.setFromCamera(new Vector2((px / width) * 2 - 1, 1 - (py / height) * 2), this.camera)
    const { origin, direction } = caster.ray
    return { origin: [origin.x, origin.y, origin.z], direction: [direction.x, direction.y, direction.z] }
  }

  /** Where a point stands on the canvas, in pixels; null behind the camera. */
  project(point: Vec3): Vec2 | null {
    const { width, height } = this.#size()
    const v = new Vector3(...point).project(this.camera)
    return v.z > 1 ? null : [((v.x + 1) / 2) * width, ((1 - v.y) / 2) * height]
  }

  widthPx(): number {
    return this.#size().width
  }

  /** Metres of ground across a pixel at the middle of the view. */
  metresPerPixel(): number {
    const { height } = this.#size()
    if (this.#isPlan) return (2 * this.#halfHeightM) / this.#plan.zoom / height
    const distance = this.#perspective.position.distanceTo(this.#controls.perspective.target)
    return (2 * distance * Math.tan((this.#perspective.fov * Math.PI) / 360)) / height
  }

  /** The way north points on the canvas, degrees clockwise from up. */
  northDeg(): number {
    if (this.#isPlan) return 0
    const { target } = this.#controls.perspective
    const eye = this.#perspective.position
    return (Math.atan2(target.x - eye.x, target.y - eye.y) * -180) / Math.PI
  }

  dispose(): void {
    this.#controls.perspective.dispose()
    this.#controls.plan.dispose()
  }

  /** As it was last told: to ask the page would have it laid out anew. */
  #size() {
    const [width, height] = this.#pageSize
    return { width: Math.max(1, width), height: Math.max(1, height) }
  }

  #framePlan(aspect: number): void {
    this.#plan.left = -this.#halfHeightM * aspect
    this.#plan.right = this.#halfHeightM * aspect
    this.#plan.top = this.#halfHeightM
    this.#plan.bottom = -this.#halfHeightM
    this.#plan.updateProjectionMatrix()
  }

  #makeControls(camera: PerspectiveCamera | OrthographicCamera): OrbitControls {
    const controls = new OrbitControls(camera, this.#canvas)
    controls.mouseButtons = { LEFT: null, MIDDLE: MOUSE.PAN, RIGHT: MOUSE.ROTATE }
    controls.touches = { ONE: null, TWO: TOUCH.DOLLY_ROTATE }
    controls.zoomToCursor = true
    controls.enableDamping = false
    controls.minDistance = 4
    controls.maxDistance = 260
    controls.minZoom = 0.2
    controls.maxZoom = 20
    controls.addEventListener('change', () => this.#seeing.moved())
    return controls
  }
}
