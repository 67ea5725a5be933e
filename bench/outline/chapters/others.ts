/** What a bench does not open with: a script of its own, fetched when it has opened. */
export { CoverChapter } from './cover'
export { MatchChapter } from './match'
export { OfferChapter } from './offer'
export { SiteChapter } from './site'
export { StoreChapter } from './store'
export { WireChapter } from './wire'
export {
  largestOutlinesBytes,
  outlinesIn,
  volumesOver,
  withoutStanding,
} from '@/core/imports/geojson-outlines'
