import { type LatLon } from '@/core/geometry/geo'
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

/** Addresses of the towns that hold every word of the query, a leading number exactly; best first. */
export function findAddresses(query: string, limit = 8): AddressMatch[] {
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
