import { add2, scale2, sub2, unit2, type Vec2 } from '@/core/geometry/vector'
import { Fault } from '@/core/model/fault'
import { parseNumber } from '@/core/model/numbers'
import { parseLength, toRadians, type UnitSystem } from '@/core/model/units'

/** Where a typed corner is counted from, and how the job's people write figures. */
export interface TypedFrom {
  readonly last: Vec2
  /** Gives a length without an angle its way. */
  readonly pointer: Vec2
  readonly units: UnitSystem
  readonly locale: string
}

const withAngle = /^(.*\S)\s+(-?\d+(?:[.,]\d+)?)\s*(?:°|deg)$/
/** A semicolon, or a comma with a blank behind it, so that neither of a comma's other meanings is taken for it. */
const apart = /\s*;\s*|,\s+/

/**
 * The next corner of an outline: `length` towards the pointer, `length angle°` clockwise from north, or `east; north` of
 * the last corner.
 * @throws Fault `bad-length`, `bad-number`, `zero-length`, `no-direction`
 */
export function typedCorner(text: string, { last, pointer, units, locale }: TypedFrom): Vec2 {
  const input = text.trim()
  const [east, north, ...more] = input.split(apart)
  if (east !== undefined && north !== undefined) {
    if (more.length > 0) throw new Fault('bad-length', { text, system: units })
    const offset: Vec2 = [parseLength(east, units, locale), parseLength(north, units, locale)]
    if (offset[0] === 0 && offset[1] === 0) throw new Fault('zero-length', { text })
    return add2(last, offset)
  }
  const { lengthM, azimuthDeg } = typedLength(input, units, locale)
  const angle = azimuthDeg === null ? null : toRadians(azimuthDeg)
  const toward: Vec2 = angle === null ? unit2(sub2(pointer, last)) : [Math.sin(angle), Math.cos(angle)]
  if (toward[0] === 0 && toward[1] === 0) throw new Fault('no-direction')
  return add2(last, scale2(toward, lengthM))
}

/**
 * A length, and the way it goes where that is typed behind it: `length` or `length angle°`, clockwise from north.
 * @throws Fault `bad-length`, `bad-number`, `zero-length`
 */
export function typedLength(
  text: string,
  units: UnitSystem,
  locale: string,
): { readonly lengthM: number; readonly azimuthDeg: number | null } {
  const angled = withAngle.exec(text.trim())
  const lengthM = parseLength(angled?.[1] ?? text, units, locale)
  if (lengthM <= 0) throw new Fault('zero-length', { text })
  return { lengthM, azimuthDeg: angled?.[2] === undefined ? null : parseNumber(angled[2], locale) }
}
