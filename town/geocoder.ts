import { type LatLon } from '@/core/geometry/geo'
import { greatCircleM } from '@/core/weather/station'
import { townMap } from './town-map'
import { towns, type Town } from './towns'

export interface AddressMatch extends LatLon {
  readonly label: string
  readonly town: Town
}

const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[’'.,]/g, ' ')
    .replace(/\b(rd)\b/g, 'road')
    .replace(/\b(st)\b/g, 'street')
    .replace(/\s+/g, ' ')
    .trim()

/** Two figures in degrees, "41.62, -71.41" or "41,62 -71,41", or with their letters: "41.62 N 71.41 W". */
const coordinates =
  /^(-?\d{1,2}(?:[.,]\d+)?)\s*°?\s*([ns])?\s*[,; ]\s*(-?\d{1,3}(?:[.,]\d+)?)\s*°?\s*([ew])?$/i
/** How far out of town somebody may still be at home there, m. */
const outskirtsM = 30_000

/** A place that is named by its latitude and longitude, in the town it is nearest to. */
function placeAt(query: string): AddressMatch | null {
  const found = coordinates.exec(query.trim())
  if (!found) return null
  const [, north = '', ns, east = '', ew] = found
  const degrees = (text: string, letter: string | undefined) =>
    Number(text.replace(',', '.')) * (letter && /[sw]/i.test(letter) ? -1 : 1)
  const place = { latitudeDeg: degrees(north, ns), longitudeDeg: degrees(east, ew) }
  const [near] = towns
    .map((town) => ({
      town,
      awayM: greatCircleM(town.latitudeDeg, town.longitudeDeg, place.latitudeDeg, place.longitudeDeg),
    }))
    .sort((a, b) => a.awayM - b.awayM)
  if (!near || near.awayM > outskirtsM) return null
  const label = `${place.latitudeDeg.toFixed(5)}, ${place.longitudeDeg.toFixed(5)}`
  return { label, town: near.town, ...place }
}

/** Letters to change, add or drop to make one word of another, or of its beginning. */
function lettersApart(word: string, other: string): number {
  let row = Array.from({ length: other.length + 1 }, (_, k) => k)
  for (let i = 1; i <= word.length; i++) {
    const next = [i]
    for (let j = 1; j <= other.length; j++)
      next.push(
        Math.min(
          (row[j] ?? 0) + 1,
          (next[j - 1] ?? 0) + 1,
          (row[j - 1] ?? 0) + (word[i - 1] === other[j - 1] ? 0 : 1),
        ),
      )
    row = next
  }
  return Math.min(...row)
}

/** Letters of a word that may be wrong: two, as when two have changed places; one in a short word. */
const mayBeWrong = (word: string) => (word.length < 4 ? 1 : 2)

/** Addresses that somebody may have meant who wrote it a little differently; the likeliest first. */
export function nearAddresses(query: string, limit = 4): AddressMatch[] {
  const words = plain(query).split(' ').filter(Boolean)
  const found: (AddressMatch & { readonly apart: number })[] = []
  if (!words.some((word) => !/^\d+$/.test(word))) return []
  for (const town of towns)
    for (const lot of townMap(town).lots) {
      const label = `${lot.address}, ${town.name}`
      const parts = plain(label).split(' ')
      let apart = 0
      for (const word of words) {
        const least = /^\d+$/.test(word)
          ? Math.min(1, Math.abs(Number(word) - lot.number))
          : Math.min(...parts.map((part) => lettersApart(word, part)))
        apart += least
        if (!/^\d+$/.test(word) && least > mayBeWrong(word)) apart = Infinity
      }
      if (Number.isFinite(apart)) found.push({ label, town, ...lot.place, apart: apart * 1000 + lot.number })
    }
  return found.sort((a, b) => a.apart - b.apart).slice(0, limit)
}

/** Addresses of the towns that hold every word of the query, a leading number exactly; best first. */
export function findAddresses(query: string, limit = 8): AddressMatch[] {
  const place = placeAt(query)
  if (place) return [place]
  const words = plain(query).split(' ').filter(Boolean)
  if (words.length === 0) return []
  const found: (AddressMatch & { rank: number })[] = []
  for (const town of towns)
    for (const lot of townMap(town).lots) {
      const label = `${lot.address}, ${town.name}`
      const parts = plain(label).split(' ')
      const fits = words.every((word) =>
        parts.some((part) => (/^\d+$/.test(word) ? part === word : part.startsWith(word))),
      )
      if (fits)
        found.push({
          label,
          town,
          ...lot.place,
          rank: Math.abs(parts.length - words.length) * 1000 + lot.number,
        })
    }
  return found.sort((a, b) => a.rank - b.rank).slice(0, limit)
}
