import { ofKind, type Objects } from '@/core/kinds/documents'
import { type Walkway } from '@/core/kinds/walkway/walkway'
import { newId } from '@/core/model/new-id'
import { keepPathways } from '@/core/readers/keep-pathways'
import { panelsOf } from '@/core/site/site'
import { rulesIn } from '@/core/stages/rules'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { type BenchParts } from '../context'
import { houseId, withObject, type Outcome } from '../store/documents'
import { nameAmong } from '../tools/placing'

/** A house with walkways where an option's rules ask for pathways. */
export interface HouseWithWays {
  readonly house: Objects
  /** How many of them are new. */
  readonly walkways: number
  /** Modules that have no room any more because of them. */
  readonly fewer: number
}

/** A house with the walkways that an option lacks in it, where they cost fewest modules. */
export function houseWithWays(
  { documents, catalogue, siteWith }: Pick<BenchParts, 'documents' | 'catalogue' | 'siteWith'>,
  sayer: Sayer,
  option: Objects,
  house: Objects = documents.house,
): HouseWithWays {
  const rules = rulesIn({ house, option, catalogue })
  if (!rules) return { house, walkways: 0, fewer: 0 }
  const withWays = (walkways: readonly Walkway[]) =>
    walkways.reduce((all, walkway) => {
      const name = nameAmong({ sayer: () => sayer }, 'walkway', ofKind(all, 'walkway'))
      return withObject(all, walkway.id, { ...walkway, name })
    }, house)
  const before = siteWith(option, house)
  const { walkways, site } = keepPathways(
    before,
    rules,
    (some) => siteWith(option, withWays(some)),
    () => newId('walkway', Math.random),
  )
  return {
    house: withWays(walkways),
    walkways: walkways.length,
    fewer: panelsOf(before).length - panelsOf(site).length,
  }
}

/** Puts an option and the house with its walkways in place as one step. */
export const editWithWays = (
  { documents }: Pick<BenchParts, 'documents'>,
  label: string,
  optionId: string,
  option: Objects,
  { house }: Pick<HouseWithWays, 'house'>,
): Outcome => documents.editAll(label, { [houseId]: () => house, [optionId]: () => option })

/** What there is to tell of new walkways; empty where there are none. */
export const saidWays = (
  sayer: Sayer,
  { walkways, fewer }: Pick<HouseWithWays, 'walkways' | 'fewer'>,
): string => (walkways > 0 ? sayer.say(later.layWanted.waysKept, { walkways, fewer }) : '')
