import { type ChosenPart } from '@/core/parts/chosen-parts'
import { partNames } from './en/parts'
import { type Sayer } from './sayer'

/** A line of the parts list as people read it, with what it is of where that has a data sheet. */
export function partName({ line, name }: Pick<ChosenPart, 'line' | 'name'>, sayer: Sayer): string {
  if (line === null) return name ?? ''
  const { code, typeId } = line
  return typeId === null ? partNames[code] : `${partNames[code]}, ${sayer.name(typeId)}`
}
