import { type Catalogue } from '@/core/electrical/catalogue'
import { theOne, type Objects } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { english } from '@/words/english'
import { namedIn, namesFrom } from '@/words/names'
import { Sayer } from '@/words/sayer'

interface Station {
  readonly id: string
  readonly name: string
}

/**
 * Who speaks on the whole bench: one and the same as long as nothing is called or written another way, so that what is
 * said with it rests through every other edit.
 */
export function rememberedSayer(
  catalogue: Catalogue,
): (house: Objects, option: Objects, station: Station | undefined) => Sayer {
  let known: { house: Objects; option: Objects; station: Station | undefined } | null = null
  let said: { key: string; sayer: Sayer } | null = null
  return (house, option, station) => {
    if (said && known?.house === house && known.option === option && known.station === station)
      return said.sayer
    const { locale, currency, units } = theOne(house, 'site', siteId)
    const named = namedIn([house, option])
    const key = JSON.stringify([named, locale, currency, units, station?.id, station?.name])
    if (said?.key !== key)
      said = {
        key,
        sayer: new Sayer(english, { locale, currency, units }, namesFrom(named, catalogue, station)),
      }
    known = { house, option, station }
    return said.sayer
  }
}
