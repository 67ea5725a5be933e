import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { type Rules } from '@/core/kinds/rules/rules'
import { rulesIn, ruleSetsFor } from '@/core/stages/rules'
import { type RuleSet } from '@/core/setbacks/rule-set'
import { panelsOf } from '@/core/site/site'
import { later } from '@/words/en/later'
import { useBench, useHouse, useOption, useSayer, useSession } from '../context'
import { toast } from '../store/session'

const words = later.setbacks

export interface ChosenRules {
  /** All there are to choose from. */
  readonly sets: readonly (RuleSet | Rules)[]
  /** Null for none, undefined where they are named and no longer there. */
  readonly rules: RuleSet | Rules | null | undefined
  /** Holds the option against rules and takes over the distances they ask for; null for none. */
  readonly choose: (chosen: RuleSet | Rules | null) => void
}

/** The rules the option at hand is held against. */
export function useRules(): ChosenRules {
  const { catalogue, documents, session, site, siteWith } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const optionId = useSession((s) => s.optionId)
  const sayer = useSayer()
  const cover = theOne(option, 'cover', coverId)
  const sets = ruleSetsFor({ house, catalogue })
  const choose = (chosen: RuleSet | Rules | null) => {
    const label = later.fields.cover.rulesId
    if (!chosen) {
      documents.set(label, optionId, coverId, { rulesId: null })
      return
    }
    const next = { ...cover, rulesId: chosen.id, setbacksM: { ...chosen.edgesM, flat: chosen.flatM } }
    const [now, then] = [site(), siteWith({ ...option, [coverId]: next })]
    const change = panelsOf(then).length - panelsOf(now).length
    const { step } = documents.edit(label, optionId, (before) => ({ ...before, [coverId]: next }))
    const said = change < 0 ? words.chosenFewer : words.chosen
    toast(session, sayer.say(said, { rules: chosen.name, change: Math.abs(change) }), step)
  }
  return { sets, rules: rulesIn({ house, option, catalogue }), choose }
}
