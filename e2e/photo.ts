import { type Page } from '@playwright/test'

/** A photo of a given colour. */
export async function photo(page: Page, name: string, colour: string) {
  const base64 = await page.evaluate(async (fill) => {
    const canvas = new OffscreenCanvas(2600, 1900)
    const context = canvas.getContext('2d')
    if (!context) throw new Error('no canvas')
    context.fillStyle = fill
    context.fillRect(0, 0, 2600, 1900)
    const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg' })).arrayBuffer())
    return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''))
  }, colour)
  return { name, mimeType: 'image/jpeg', buffer: Buffer.from(base64, 'base64') }
}
