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

/** Years at the prices that their tariff has by then. */
export const stepped = (years: readonly AgedYear[], factors: readonly number[]): AgedYear[] =>
  years.map((year, k) => {
    const factor = factors[k] ?? 1
    return factor === 1 ? year : { ...year, bill: year.bill * factor, exported: year.exported * factor }
  })
