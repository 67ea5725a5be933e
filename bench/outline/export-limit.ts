import { Fault } from '@/core/model/fault'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import { type Site } from '@/core/kinds/site/site'
import { plainNumber } from '@/words/format'

/** What may be fed in, as it is typed: kW, a share of the module power, both, or none. */
export function exportLimitText(site: Site): string {
  const { exportLimitKw, exportLimitShare } = site
  const limits = [
    ...(exportLimitKw === null ? [] : [`${plainNumber(exportLimitKw, site)} kW`]),
    ...(exportLimitShare === null ? [] : [`${plainNumber(exportLimitShare * 100, site)} %`]),
  ]
  return limits.length === 0 ? 'none' : limits.join(' / ')
}

/**
 * The limits that a text says; a number without a unit is kW, and what is not said is no limit.
 * @throws Fault of a number that is none
 */
export function exportLimitFrom(
  text: string,
  locale: string,
): Pick<Site, 'exportLimitKw' | 'exportLimitShare'> {
  if (/^\s*(none|-|)\s*$/i.test(text)) return { exportLimitKw: null, exportLimitShare: null }
  const parts = text.split('/')
  const shares = parts.filter((part) => part.includes('%'))
  const powers = parts.filter((part) => !part.includes('%'))
  const [share, power] = [shares[0], powers[0]]
  // Two of a kind say nothing: the whole is no number.
  if (shares.length > 1 || powers.length > 1) throw new Fault('bad-number', { text })
  return {
    exportLimitKw: power === undefined ? null : parseNumber(power, locale),
    exportLimitShare: share === undefined ? null : parsePercent(share, locale),
  }
}
