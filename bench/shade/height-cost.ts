import { worthNamingKwh, type HeightWorth } from '@/core/readers/height-worth'
import { worthOfLight } from '@/core/readers/shade-worth'
import { later } from '@/words/en/later'
import { money } from '@/words/format'
import { useNumbers, useSayer, useShade, useSite } from '../context'

/** A height that nobody has checked, and what half a metre more of it costs a year, in words. */
export interface HeightCost extends HeightWorth {
  readonly cost: string
}

/** What unchecked heights may cost, the costliest first, and whether that is of today. */
export function useHeightCosts(): { readonly costs: readonly HeightCost[]; readonly fresh: boolean } {
  const site = useSite()
  const sayer = useSayer()
  const { numbers } = useNumbers()
  const known = useShade()
  const rate = numbers ? worthOfLight(numbers.summary) : 0
  const costs = known?.heights
    ?.filter(({ kwh }) => kwh >= worthNamingKwh)
    .map((worth) => ({
      ...worth,
      cost: sayer.say(later.shade.cost, {
        energy: { value: worth.kwh, unit: 'kWh', digits: worth.kwh < 10 ? 1 : 0 },
        money: money(worth.kwh * rate, site),
      }),
    }))
  return { costs: costs ?? [], fresh: known?.fresh === true }
}
