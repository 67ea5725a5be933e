import { type TariffForm } from '@/core/kinds/tariff/form'
import { tariffThenId, type Tariff } from '@/core/kinds/tariff/tariff'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { type useBench } from '../context'
import { houseId } from '../store/documents'
import { toast } from '../store/session'

const words = later.tariff

/** Puts a form in the place of one of the two tariffs, and says so. */
export function takeTariff(
  { documents, session }: Pick<ReturnType<typeof useBench>, 'documents' | 'session'>,
  sayer: Sayer,
  id: Tariff['id'],
  form: TariffForm,
): void {
  const { step, fault } = documents.edit(id === tariffThenId ? words.then : words.now, houseId, (before) => ({
    ...before,
    [id]: { ...form, id, kind: 'tariff' },
  }))
  toast(session, fault ? sayer.fault(fault) : sayer.say(words.taken, { name: form.name }), step)
}
