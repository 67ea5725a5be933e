import { type TariffForm } from '../kinds/tariff/form'
import { modelYear } from '../model/model-year'
import { factorIn } from '../tariff/form-bill'
import { type AgedYear } from './ways'

/**
 * How many times a tariff's prices of the first year hold in each of the years, the first being the model year.
 * @returns one entry a year, beginning with 1
 */
export function stepFactors(tariff: Pick<TariffForm, 'priceSteps'>, years: number): number[] {
  const first = factorIn(tariff, modelYear)
  return Array.from({ length: years }, (_, k) => (first === 0 ? 1 : factorIn(tariff, modelYear + k) / first))
}

type Stepped = Pick<TariffForm, 'priceSteps'>

/**
 * Bills of the years at the prices that their tariffs have by then.
 * @param before bill of the first year without solar
 * @param years with it, at the prices of the first
 */
export function steppedBills(
  { now, then }: { readonly now: Stepped; readonly then: Stepped },
  before: number,
  years: readonly AgedYear[],
): { readonly before: number[]; readonly after: AgedYear[] } {
  const factors = stepFactors(then, years.length)
  return {
    before: stepFactors(now, years.length).map((factor) => before * factor),
    after: years.map((year, k) => {
      const factor = factors[k] ?? 1
      return { ...year, bill: year.bill * factor, exported: year.exported * factor }
    }),
  }
}
