import { Color } from 'three'
import { type ShaderParts } from './light'

/** Up the slope from one course to the next, m. */
const courseM = 0.3
/** Courses nearer to each other than this are drawn at twice the distance, pixels. */
const leastPx = 5
/** Each course is a little darker towards its foot. */
const stepShare = 0.035

/**
 * Fine lines along the eave that say "roof", and how steep it is and which way it falls. Their distance on the roof
 * doubles, with a gentle change, where they would crowd.
 * @param share how strong the lines are, 0..1
 */
export const roofCourses = (ink: string, share: number): ShaderParts => ({
  uniforms: { courseInk: { value: new Color(ink) }, courseShare: { value: share } },
  declare: {
    vertex: 'varying vec3 roofAt;\nvarying vec3 roofUp;',
    fragment: /* glsl */ `
      varying vec3 roofAt;
      varying vec3 roofUp;
      uniform vec3 courseInk;
      uniform float courseShare;
      float courseLine(float along, float perPixel, float spacing) {
        float away = abs(fract(along / spacing + 0.5) - 0.5) * spacing / perPixel;
        return clamp(1.0 - away, 0.0, 1.0);
      }
    `,
  },
  vertex: {
    // Courses belong to the house, not to the eye: places and normals of the world.
    '#include <begin_vertex>': `#include <begin_vertex>
      roofAt = (modelMatrix * vec4(position, 1.0)).xyz;
      roofUp = mat3(modelMatrix) * normal;`,
  },
  fragment: {
    '#include <color_fragment>': `#include <color_fragment>
      vec3 roofNormal = normalize(roofUp);
      float rise = length(roofNormal.xy);
      if (rise > 0.03) {
        float along = roofAt.z / rise;
        float perPixel = max(1e-5, fwidth(along));
        float doublings = max(0.0, log2(${leastPx.toFixed(1)} * perPixel / ${courseM.toFixed(2)}));
        float spacing = ${courseM.toFixed(2)} * exp2(floor(doublings));
        float change = smoothstep(0.55, 1.0, fract(doublings));
        float line = mix(courseLine(along, perPixel, spacing), courseLine(along, perPixel, 2.0 * spacing), change);
        diffuseColor.rgb *= 1.0 - ${stepShare.toFixed(3)} * (1.0 - fract(along / spacing));
        diffuseColor.rgb = mix(diffuseColor.rgb, courseInk, courseShare * line);
      }`,
  },
})
