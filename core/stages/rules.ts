import { type RuleSet } from '../setbacks/rule-set'
import { type Rules } from '../kinds/rules/rules'
import { ofKind } from '../kinds/documents'
import { coverIn, type Design } from './world'

/** All rule sets that a job can be held against: those of the catalogue, then its own. */
export const ruleSetsFor = ({
  house,
  catalogue,
}: Pick<Design, 'house' | 'catalogue'>): readonly (RuleSet | Rules)[] => [
  ...catalogue.rules,
  ...ofKind(house, 'rules'),
]

/** The rules an option is held against; null for none, undefined where they are named and no longer there. */
export function rulesIn(design: Design): RuleSet | Rules | null | undefined {
  const { rulesId } = coverIn(design)
  return rulesId === null ? null : ruleSetsFor(design).find(({ id }) => id === rulesId)
}
