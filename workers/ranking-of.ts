/** What other inverters and other strings would make of a world whose figures are known. Fetched when it is first asked for. */
export { inverterWorths } from '@/core/readers/inverter-worth'
export { stringsWorths } from '@/core/readers/strings-worth'
