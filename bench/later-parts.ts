/** What a bench does not open with: a script of its own, fetched when it has opened. */
export { SelectionCard } from './cards/selection-card'
export { followClipboard } from './commands/clipboard'
export { CommandDialog } from './commands/command-dialog'
export { CoverChapter } from './outline/chapters/cover'
export { MatchChapter } from './outline/chapters/match'
export { OfferChapter } from './outline/chapters/offer'
export { deeds } from './tools/select/deeds'
export { SavingDialog } from './saving/conflicts'
export { SiteChapter } from './outline/chapters/site'
export { StoreChapter } from './outline/chapters/store'
export { UnderlaysLayer } from './underlays/underlays-layer'
export { WireChapter } from './outline/chapters/wire'
export {
  largestOutlinesBytes,
  outlinesIn,
  volumesOver,
  withoutStanding,
} from '@/core/imports/geojson-outlines'
