import { Color, DirectionalLight, HemisphereLight, type Material, Vector3 } from 'three'
import { type Vec3 } from '@/core/geometry/vector'
import { groundSkyDeclared, type GroundShade } from './ground-shade'
import { type RoomLight } from './palette'

/** How much a weak light beside the eye adds to what comes from all around, so that faces part without the sun. */
const lampShare = 0.06
/** The lamp's way in the eye's frame: from the upper left. */
const lampWay = new Vector3(-0.62, 0.5, 0.6).normalize()
/** The sun reaches its strength when it stands this high (sine of its height). */
const fullSunAt = 0.09
/** What three divides a light by before it meets a matt surface. */
const lambert = Math.PI

/** Numbers that every material of the stage shares. */
export interface LightUniforms {
  readonly lamp: { value: number }
  readonly lampWay: { value: Vector3 }
  /** What open level ground gets. */
  readonly open: { value: Color }
}

/** The sun, the sky, and a lamp at the eye. Ground in the open keeps the colour of its paper whatever the hour. */
export class Light {
  readonly sun = new DirectionalLight()
  readonly sky = new HemisphereLight()
  readonly uniforms: LightUniforms = {
    lamp: { value: lampShare },
    lampWay: { value: lampWay },
    open: { value: new Color(1, 1, 1) },
  }
  #room: RoomLight | null = null
  #height = 1

  constructor() {
    this.sky.position.set(0, 0, 1)
    this.sky.intensity = lambert
  }

  setRoom(room: RoomLight): void {
    if (room === this.#room) return
    this.#room = room
    this.sky.color.setRGB(...room.sky)
    this.sky.groundColor.setRGB(...room.bounce)
    this.sun.color.setRGB(...room.sun)
    this.#mix()
  }

  /** @param height sine of the sun's height; below the horizon it goes out */
  setHeight(height: number): void {
    this.#height = height
    this.#mix()
  }

  #mix(): void {
    const strength = Math.max(0, Math.min(1, this.#height / fullSunAt))
    this.sun.intensity = lambert * strength
    this.uniforms.lamp.value = lampShare * (2 - strength)
    const [red, green, blue] = this.#room?.sun ?? [0, 0, 0]
    const onGround = strength * Math.max(0, this.#height)
    this.uniforms.open.value.setRGB(
      this.sky.color.r + red * onGround,
      this.sky.color.g + green * onGround,
      this.sky.color.b + blue * onGround,
    )
  }
}

/** Direction towards the sun that shadows are cast by: never quite level. */
export const castBy = ([x, y, z]: Vec3): Vector3 => new Vector3(x, y, Math.max(z, 0.02))

const bodyLight = /* glsl */ `
#include <lights_fragment_end>
reflectedLight.indirectDiffuse *= 1.0 + lamp * dot( normal, lampWay );
`
/** Under open sky 1; in a courtyard not quite dark. */
const groundLight = /* glsl */ `
#include <lights_fragment_end>
reflectedLight.directDiffuse /= open;
reflectedLight.indirectDiffuse *= ( 0.22 + 0.78 * skyOver( groundAt ) ) / open;
`

/** More of a shader: declarations, and replacements of the library's parts. */
export interface ShaderParts {
  readonly declare?: { readonly vertex?: string; readonly fragment?: string }
  readonly vertex?: Readonly<Record<string, string>>
  readonly fragment?: Readonly<Record<string, string>>
  readonly uniforms?: Readonly<Record<string, { value: unknown }>>
}

/**
 * Has a matt body be lit as all of the stage is.
 * @param name tells its program apart from those of other parts
 */
export const lit = <M extends Material>(
  material: M,
  name: string,
  light: LightUniforms,
  parts: ShaderParts = {},
): M =>
  extended(material, `body ${name}`, {
    ...parts,
    uniforms: { ...light, ...parts.uniforms },
    declare: {
      vertex: parts.declare?.vertex ?? '',
      fragment: `uniform float lamp;\nuniform vec3 lampWay;\n${parts.declare?.fragment ?? ''}`,
    },
    fragment: { '#include <lights_fragment_end>': bodyLight, ...parts.fragment },
  })

/** The same for level ground: light in the open is divided out, and houses hide a part of the sky. */
export const litGround = <M extends Material>(
  material: M,
  name: string,
  light: LightUniforms,
  shade: GroundShade,
  parts: ShaderParts = {},
): M =>
  extended(material, `ground ${name}`, {
    ...parts,
    uniforms: { ...light, ...shade.uniforms, ...parts.uniforms },
    declare: {
      vertex: 'varying vec2 groundAt;',
      fragment: `uniform vec3 open;\nvarying vec2 groundAt;\n${groundSkyDeclared}\n${parts.declare?.fragment ?? ''}`,
    },
    vertex: {
      '#include <begin_vertex>': `#include <begin_vertex>
        groundAt = (modelMatrix * vec4(position, 1.0)).xy;`,
    },
    fragment: { '#include <lights_fragment_end>': groundLight, ...parts.fragment },
  })

function extended<M extends Material>(material: M, key: string, parts: ShaderParts): M {
  material.onBeforeCompile = (shader) => {
    Object.assign(shader.uniforms, parts.uniforms)
    const replaced = (code: string, by: Readonly<Record<string, string>> = {}) =>
      Object.entries(by).reduce((text, [include, part]) => text.replace(include, part), code)
    shader.vertexShader = `${parts.declare?.vertex ?? ''}\n${replaced(shader.vertexShader, parts.vertex)}`
    shader.fragmentShader = `${parts.declare?.fragment ?? ''}\n${replaced(shader.fragmentShader, parts.fragment)}`
  }
  material.customProgramCacheKey = () => key
  return material
}
