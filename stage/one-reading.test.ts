import { ShaderChunk } from 'three'
import { oneReading } from './one-reading'

const pattern = `float a; shadow = (
  texture( shadowMap, vec3( shadowCoord.xy + vogelDiskSample( 0, 5, phi ) * radius, shadowCoord.z ) ) +
  texture( shadowMap, vec3( shadowCoord.xy + vogelDiskSample( 1, 5, phi ) * radius, shadowCoord.z ) )
) * 0.2; float b;`

describe('one reading of the shadow map', () => {
  it('takes the place of the five and leaves the rest alone', () => {
    expect(oneReading(pattern)).toBe('float a; shadow = texture( shadowMap, shadowCoord.xyz ); float b;')
  })

  it('is in force in the library that is installed, everywhere it read five times', () => {
    expect(ShaderChunk.shadowmap_pars_fragment).toContain('shadow = texture( shadowMap, shadowCoord.xyz );')
    expect(ShaderChunk.shadowmap_pars_fragment).not.toMatch(/shadow = \(\s*texture\( shadowMap, vec3/)
  })

  it('refuses a shader it does not know', () => {
    expect(() => oneReading('shadow = 1.0;')).toThrow(RangeError)
  })
})
