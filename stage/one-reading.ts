import { ShaderChunk } from 'three'

/** Five readings of the shadow map around a point, turned by a different angle at each pixel. */
const fiveReadings =
  /shadow = \(\s*texture\( shadowMap, vec3\( shadowCoord\.xy \+ vogelDiskSample[\s\S]*?\) \* 0\.2;/g

/**
 * Shaders that read the shadow map once a pixel, between its four nearest points, instead of five times: where pictures
 * are drawn without a graphics card, the five readings were a third of a picture's time.
 *
 * @throws RangeError if the library's shader is another than this one was written for
 */
export function oneReading(shader: string): string {
  const rewritten = shader.replace(fiveReadings, 'shadow = texture( shadowMap, shadowCoord.xyz );')
  if (rewritten === shader) throw new RangeError('the shadow map is read in a way that is not known')
  return rewritten
}

ShaderChunk.shadowmap_pars_fragment = oneReading(ShaderChunk.shadowmap_pars_fragment)
