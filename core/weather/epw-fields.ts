/**
 * The 35 fields of an EPW record in their order (the published data dictionary of the format).
 * `missing`: from this value on nothing was measured.
 */
export const epwFields = [
  { name: 'year' },
  { name: 'month' },
  { name: 'day' },
  { name: 'hour' },
  { name: 'minute' },
  { name: 'flags', text: true },
  { name: 'dryBulbC', missing: 99.9 },
  { name: 'dewPointC', missing: 99.9 },
  { name: 'relativeHumidity', missing: 999 },
  { name: 'pressurePa', missing: 999_999 },
  { name: 'extraterrestrialHorizontal', missing: 9999 },
  { name: 'extraterrestrialNormal', missing: 9999 },
  { name: 'infraredHorizontal', missing: 9999 },
  { name: 'globalHorizontal', missing: 9999 },
  { name: 'directNormal', missing: 9999 },
  { name: 'diffuseHorizontal', missing: 9999 },
  { name: 'globalIlluminance', missing: 999_900 },
  { name: 'directIlluminance', missing: 999_900 },
  { name: 'diffuseIlluminance', missing: 999_900 },
  { name: 'zenithLuminance', missing: 9999 },
  { name: 'windDirection', missing: 999 },
  { name: 'windSpeedMs', missing: 999 },
  { name: 'totalSkyCover', missing: 99 },
  { name: 'opaqueSkyCover', missing: 99 },
  { name: 'visibilityKm', missing: 9999 },
  { name: 'ceilingM', missing: 99_999 },
  { name: 'presentWeather', missing: 9 },
  { name: 'presentWeatherCodes', text: true },
  { name: 'precipitableWaterMm', missing: 999 },
  { name: 'aerosolDepth', missing: 0.999 },
  { name: 'snowDepthCm', missing: 999 },
  { name: 'daysSinceSnow', missing: 99 },
  { name: 'albedo', missing: 999 },
  { name: 'rainMm', missing: 999 },
  { name: 'rainHours', missing: 99 },
] as const

export type EpwField = (typeof epwFields)[number]['name']

/** Place of a field in a record, from 0. */
export const epwColumn = Object.fromEntries(epwFields.map((field, i) => [field.name, i])) as Readonly<
  Record<EpwField, number>
>

/** From this value on a field was not measured; infinite where none is agreed. */
export const epwMissing = (name: EpwField): number => {
  const field = epwFields[epwColumn[name]]
  return field && 'missing' in field ? field.missing : Infinity
}
