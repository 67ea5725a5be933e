import { useBench, useHouse, useOption, useSayer } from '../context'
import { benchKindOf } from '../kinds/index'

/** What objects are titled where they are listed, by their ids. */
export function useTitles(): (id: string) => string {
  const { site, documents } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const sayer = useSayer()
  const now = site()
  return (id) => {
    const object = option[id] ?? house[id]
    return object ? benchKindOf(object).title(object, sayer, now, documents.house) : id
  }
}
