/** What is asked about the shade of a world whose figures are known. Fetched when it is first asked for. */
export { heightWorths } from '@/core/readers/height-worth'
export { partLight } from '@/core/readers/part-light'
export { shadeByBoth } from '@/core/readers/reading-worth'
