import { LinearMipmapLinearFilter, SRGBColorSpace, Texture } from 'three'

/**
 * A picture that lies on the ground. A bitmap is decoded off the page's thread, where an image element would be decoded
 * on it at its first drawing.
 * @param image its first row is the southern one
 */
export function pictureTexture(image: ImageBitmap): Texture {
  const texture = new Texture(image)
  texture.flipY = false
  texture.colorSpace = SRGBColorSpace
  texture.minFilter = LinearMipmapLinearFilter
  texture.anisotropy = 4
  texture.needsUpdate = true
  return texture
}
