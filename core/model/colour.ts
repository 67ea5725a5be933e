/** A colour as the web writes it, #rrggbb, in sRGB. */
export const colourPattern = /^#[0-9a-f]{6}$/i

/** What text on paper needs (WCAG 2.2, 1.4.3). */
export const leastContrast = 4.5

/**
 * Contrast ratio of a colour with white, 1 to 21 (WCAG 2.2, relative luminance of sRGB).
 * @param colour as `colourPattern`
 */
export function contrastWithWhite(colour: string): number {
  const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(colour.slice(at, at + 2), 16) / 255
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
  })
  return 1.05 / (0.2126 * red + 0.7152 * green + 0.0722 * blue + 0.05)
}
