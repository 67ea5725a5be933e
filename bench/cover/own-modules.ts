import { type ModuleType } from '@/core/electrical/catalogue'
import { coverId } from '@/core/kinds/cover/cover'
import { ofKind, theOne } from '@/core/kinds/documents'
import { type OwnModule } from '@/core/kinds/own-module/own-module'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { newId } from '@/core/model/new-id'
import { readModuleTable, sheetFrom, type ModuleTexts, type OwnSheet } from '@/core/readers/module-table'
import { modulesFor } from '@/core/stages/world'
import { later } from '@/words/en/later'
import { useBench, useHouse, useSite } from '../context'
import { houseId } from '../store/documents'

const words = later.catalogue
/** No table of modules is larger. */
const largestBytes = 1_000_000

export interface OwnModules {
  /** The job's own, then the catalogue's. */
  readonly modules: readonly ModuleType[]
  readonly own: readonly OwnModule[]
  /**
   * Brings in the modules of a table, all of them or none.
   * @returns how many
   * @throws Fault of the table
   */
  readonly take: (file: File) => Promise<number>
  /** Keeps what was typed, in the place of one or as a new one. @throws Fault of the sheet */
  readonly save: (id: string | null, texts: ModuleTexts) => void
  /** @throws Fault `module-in-use` */
  readonly remove: (id: string) => void
}

/** The modules that a job can be laid with, and how its own come and go. */
export function useOwnModules(): OwnModules {
  const { documents, catalogue } = useBench()
  const house = useHouse()
  const { locale } = useSite()
  const keep = (label: string, sheets: readonly (readonly [string, OwnSheet])[]) => {
    const { fault } = documents.edit(label, houseId, (before) => ({
      ...before,
      ...Object.fromEntries(
        sheets.map(([id, sheet]): [string, OwnModule] => [id, { ...sheet, id, kind: 'own-module' }]),
      ),
    }))
    if (fault) throw fault
  }
  const fresh = () => newId('module', Math.random)
  const take = async (file: File) => {
    checkFileSize(file.size, largestBytes)
    const sheets = readModuleTable(await file.text())
    keep(
      words.added,
      sheets.map((sheet) => [fresh(), sheet]),
    )
    return sheets.length
  }
  const save = (id: string | null, texts: ModuleTexts) =>
    keep(id === null ? words.added : words.changed, [[id ?? fresh(), sheetFrom(texts, locale)]])
  const remove = (id: string) => {
    const { order } = documents.store.getState()
    const laid = order.filter((optionId) => {
      const option = documents.document(optionId)
      return option[coverId] !== undefined && theOne(option, 'cover', coverId).moduleId === id
    })
    if (laid.length > 0)
      throw new Fault('module-in-use', {
        options: laid
          .map((optionId) => ofKind(documents.document(optionId), 'offer')[0]?.name ?? optionId)
          .join(', '),
      })
    documents.edit(words.removed, houseId, (before) =>
      Object.fromEntries(Object.entries(before).filter(([key]) => key !== id)),
    )
  }
  return { modules: modulesFor({ house, catalogue }), own: ofKind(house, 'own-module'), take, save, remove }
}
