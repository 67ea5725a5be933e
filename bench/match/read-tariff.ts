import { tariffFormSchema, type TariffForm } from '@/core/kinds/tariff/form'
import { Fault } from '@/core/model/fault'
import { yearHours } from '@/core/model/model-year'
import { faultOf } from '@/core/model/rules'

const mostBytes = 2_000_000

/**
 * A tariff from a file.
 * @throws Fault `no-tariff` where it is no JSON, `long-tariff`, `tariff-intervals` where hourly prices are no year, or `bad-object` with the place of what is wrong
 */
export async function readTariff(file: Pick<File, 'size' | 'text'>): Promise<TariffForm> {
  if (file.size > mostBytes) throw new Fault('long-tariff')
  let content: unknown
  try {
    content = JSON.parse(await file.text())
  } catch (error) {
    if (error instanceof SyntaxError) throw new Fault('no-tariff')
    throw error
  }
  const read = tariffFormSchema.safeParse(content)
  if (!read.success) throw faultOf(read.error, 'bad-object')
  const { exports } = read.data
  const prices = exports.kind === 'net-billing' ? exports.intervals : undefined
  if (prices && (prices.length === 0 || prices.length % yearHours !== 0))
    throw new Fault('tariff-intervals', { found: prices.length }, 'exports.intervals')
  return read.data
}
