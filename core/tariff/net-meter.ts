import { type TariffForm } from '../kinds/tariff/form'
import { type BillLineCode } from './bill-lines'

type NetMetering = Extract<NonNullable<TariffForm['exports']>, { kind: 'net-metering' }>

/** Carries credit from bill to bill, and settles what is left over. */
export class NetMeter {
  readonly #rule: NetMetering
  #credit = 0
  #surplusKwh = 0

  constructor(rule: NetMetering) {
    this.#rule = rule
  }

  /**
   * What a month's bill adds to its energy: nothing below zero is paid out before it is settled.
   * @param kwh bought less sold
   * @param energy what these come to
   */
  settle(month: number, kwh: number, energy: number): { code: BillLineCode; amount: number }[] {
    const { settle, settleMonth, surplusPerKwh } = this.#rule
    if (settle === 'month') {
      if (energy >= 0) return []
      return [
        { code: 'credit-lapsed', amount: -energy },
        { code: 'surplus', amount: Math.min(0, kwh) * surplusPerKwh },
      ]
    }
    const lines: { code: BillLineCode; amount: number }[] = []
    this.#surplusKwh -= kwh
    if (energy < 0) {
      this.#credit -= energy
      lines.push({ code: 'credit-carried', amount: -energy })
    } else {
      const used = Math.min(this.#credit, energy)
      this.#credit -= used
      lines.push({ code: 'credit-used', amount: -used })
    }
    if (month + 1 === settleMonth) {
      lines.push({ code: 'surplus', amount: -Math.max(0, this.#surplusKwh) * surplusPerKwh })
      this.#credit = this.#surplusKwh = 0
    }
    return lines
  }
}
