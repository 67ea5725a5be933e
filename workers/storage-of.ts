/** What other batteries would make of a world whose figures are known. Fetched when it is first asked for. */
export { storageWorths } from '@/core/readers/storage-worth'
