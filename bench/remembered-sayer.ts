import { type Catalogue } from '@/core/electrical/catalogue'
import { theOne, type Objects } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { english } from '@/words/english'
import { namedIn, namesFrom } from '@/words/names'
import { Sayer } from '@/words/sayer'
import { type StationChoice } from './stations/station-choice'

type Station = Pick<StationChoice, 'id' | 'name'>

type Of = readonly [Catalogue, Objects, Objects, Station | undefined]

let known: { of: Of; key: string; sayer: Sayer } | null = null

/**
 * Who speaks on the whole bench: one and the same as long as nothing is called or written another way, so that what is
 * said with it rests through every other edit. Only the last one is remembered: there is one bench on a page.
 */
export function sayerOf(...of: Of): Sayer {
  if (known && of.every((part, i) => part === known?.of[i])) return known.sayer
  const [catalogue, house, option, station] = of
  const { locale, currency, units } = theOne(house, 'site', siteId)
  const place = { locale, currency, units }
  const named = namedIn([house, option])
  const key = JSON.stringify([named, place, station?.id, station?.name])
  const same = known?.key === key && known.of[0] === catalogue
  const sayer = same && known ? known.sayer : new Sayer(english, place, namesFrom(named, catalogue, station))
  known = { of, key, sayer }
  return sayer
}
