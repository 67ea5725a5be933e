/** What other inverters, strings and optimizers would make of a world whose figures are known. Fetched when it is first asked for. */
export { inverterWorths } from '@/core/readers/inverter-worth'
export { optimizerWorths } from '@/core/readers/optimizer-worth'
export { stringsWorths } from '@/core/readers/strings-worth'
