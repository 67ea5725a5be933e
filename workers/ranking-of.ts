/**
 * What other inverters, strings, optimizers and tariffs would make of a world whose figures are known, what its hours
 * cost, what its inputs do at a moment, and what each thing of the house uses. Fetched when it is first asked for.
 */
export { inputCurves } from '@/core/readers/input-curves'
export { hourWorths } from '@/core/readers/hour-worth'
export { loadParts } from '@/core/readers/load-parts'
export { inverterWorths } from '@/core/readers/inverter-worth'
export { optimizerWorths } from '@/core/readers/optimizer-worth'
export { stringsWorths } from '@/core/readers/strings-worth'
export { tariffWorths } from '@/core/readers/tariff-worth'
export { tariffsOf } from './fetch-tariffs'
