/** As large as a logo is kept: what paper shows at three times the points of a screen. */
const most = { width: 600, height: 220 } as const

const broken = {
  fault: 'This file cannot be shown as a picture. Choose a PNG, JPEG, WebP or SVG picture.',
} as const

/**
 * A picture as a logo is kept: drawn anew as PNG, no larger than it is shown. What does not hold as a picture is found
 * here, and nothing of the file but its picture goes on.
 */
export async function logoOf(file: Blob): Promise<Blob | { readonly fault: string }> {
  const address = URL.createObjectURL(file)
  try {
    const picture = new Image()
    picture.src = address
    await picture.decode()
    // A drawing without a size of its own is drawn as large as there is room.
    const [width, height] = [picture.naturalWidth || most.width, picture.naturalHeight || most.height]
    const scale = Math.min(1, most.width / width, most.height / height)
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(width * scale))
    canvas.height = Math.max(1, Math.round(height * scale))
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
    return await new Promise((done) => canvas.toBlob((made) => done(made ?? broken), 'image/png'))
  } catch {
    return broken
  } finally {
    URL.revokeObjectURL(address)
  }
}
