import { electricalId } from '@/core/kinds/electrical/electrical'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { storageId } from '@/core/kinds/storage/storage'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { newId } from '@/core/model/new-id'
import { deviceFrom, readDeviceTable, type DeviceType } from '@/core/readers/device-table'
import { type SheetTexts } from '@/core/readers/sheet-columns'
import { later } from '@/words/en/later'
import { useBench, useHouse, useOption, useSession, useSite } from '../context'
import { houseId } from '../store/documents'

const words = later.devices
/** No table of devices is larger. */
const largestBytes = 1_000_000

/** Which device of a type an option has chosen. */
function chosenIn(type: DeviceType, option: Objects): string | null {
  if (type === 'battery') return ofKind(option, 'storage')[0]?.batteryId ?? null
  const [electrical] = ofKind(option, 'electrical')
  return (type === 'inverter' ? electrical?.inverterId : electrical?.optimizerId) ?? null
}

export interface OwnDevices {
  readonly ownIds: readonly string[]
  readonly chosenId: string | null
  readonly choose: (id: string) => void
  /**
   * Brings in the devices of a table, all of them or none.
   * @returns how many
   * @throws Fault of the table
   */
  readonly take: (file: File) => Promise<number>
  /** Keeps what was typed, in the place of one or as a new one. @throws Fault of the sheet */
  readonly save: (id: string | null, texts: SheetTexts) => void
  /** @throws Fault `device-in-use` */
  readonly remove: (id: string) => void
}

/** The job's own devices of a type: how they come, are changed and go, and which of all is chosen. */
export function useOwnDevices(type: DeviceType): OwnDevices {
  const { documents } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const { locale } = useSite()
  const optionId = useSession((s) => s.optionId)
  const kind = `own-${type}` as const
  const keep = (label: string, sheets: readonly (readonly [string, object])[]) => {
    const { fault } = documents.edit(label, houseId, (before) => ({
      ...before,
      // Sheet and kind are of the same type; whether they are is checked once more as with every edit.
      ...Object.fromEntries(sheets.map(([id, sheet]) => [id, { ...sheet, id, kind } as AnyObject])),
    }))
    if (fault) throw fault
  }
  const fresh = () => newId(type, Math.random)
  return {
    ownIds: ofKind(house, kind).map(({ id }) => id),
    chosenId: chosenIn(type, option),
    choose: (id) => {
      const label = words.chosen[type]
      if (type === 'battery') documents.set(label, optionId, storageId, { batteryId: id })
      else
        documents.set(
          label,
          optionId,
          electricalId,
          type === 'inverter' ? { inverterId: id } : { optimizerId: id },
        )
    },
    take: async (file) => {
      checkFileSize(file.size, largestBytes)
      const sheets = readDeviceTable(type, await file.text())
      keep(
        words.added[type],
        sheets.map((sheet) => [fresh(), sheet]),
      )
      return sheets.length
    },
    save: (id, texts) =>
      keep(id === null ? words.added[type] : words.changed[type], [
        [id ?? fresh(), deviceFrom(type, texts, locale)],
      ]),
    remove: (id) => {
      const users = documents.store
        .getState()
        .order.map((optionOf) => documents.document(optionOf))
        .filter((objects) => chosenIn(type, objects) === id)
      if (users.length > 0)
        throw new Fault('device-in-use', {
          options: users.map((objects) => ofKind(objects, 'offer')[0]?.name ?? '').join(', '),
        })
      documents.edit(words.removed[type], houseId, (before) =>
        Object.fromEntries(Object.entries(before).filter(([key]) => key !== id)),
      )
    },
  }
}
