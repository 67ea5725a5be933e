'use client'

import { later } from '@/words/en/later'
import { useBench } from '../context'
import { Sheet } from '../sheet'
import { Incentives } from './incentives'
import { PriceParts } from './price-parts'
import { Replacements } from './replacements'
import { Ways } from './ways'
import { YearlyCosts } from './yearly-costs'

/** What an option costs, what comes back, and the ways to pay beside each other. */
export function MoneySheet() {
  const { session } = useBench()
  return (
    <Sheet title={later.money.title} onClose={() => session.setState({ dialog: null })}>
      <div className="grid gap-x-8 gap-y-4 md:grid-cols-2">
        <PriceParts />
        <Incentives />
        <YearlyCosts />
        <Replacements />
      </div>
      <div className="mt-4 border-t border-line pt-3">
        <Ways />
      </div>
    </Sheet>
  )
}
