import { pricedFields, priceOf, type Price } from '../finance/price'
import { devicesFor } from '../electrical/electronics'
import {
  batteryIn,
  besideIn,
  fieldsOf,
  inverterIn,
  moduleIn,
  offerIn,
  electricalIn,
  optimizerIn,
  stepDownIn,
  storageIn,
  type Design,
} from './world'

/** What an option's price is reckoned from, but for how many modules and inverters there are. */
export const pricedIn = (design: Design) => ({
  offer: fieldsOf(offerIn(design), ...pricedFields),
  modulePrice: moduleIn(design).price,
  inverterPrice: inverterIn(design).price,
  optimizerPrice: optimizerIn(design)?.price ?? 0,
  batteryPrice: batteryIn(design)?.price ?? 0,
  batteries: batteryIn(design) ? storageIn(design).count : 0,
})

/** What an option would cost with so many modules. */
export function priceWith(design: Design, modules: number): Price {
  const { offer, ...priced } = pricedIn(design)
  return priceOf(offer, {
    ...priced,
    modules,
    inverters: devicesFor(inverterIn(design), modules, besideIn(design)),
    // Of those that stand at some modules alone there are no more where others are added.
    optimizers: Math.min(
      modules,
      (stepDownIn(design) && electricalIn(design).optimizersAt?.length) ?? modules,
    ),
    powerW: modules * moduleIn(design).powerW,
    // Nobody has counted the parts of so many.
    parts: null,
  })
}
