import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { type Site } from '@/core/site/site'
import { useBench, useOption, useSession } from '../context'

interface ModuleChoosing {
  /** Takes another module; one of which fewer fit somewhere is asked about first. */
  readonly choose: (moduleId: string) => void
  /** Takes it whatever fits. */
  readonly take: (moduleId: string) => void
  /** Stays with the one there is. */
  readonly keep: () => void
}

/** How another module is chosen for all arrays of the option. */
export function useModuleChoosing(): ModuleChoosing {
  const { documents, session, site, siteWith } = useBench()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const cover = theOne(option, 'cover', coverId)
  const keep = () => session.setState({ askedModule: null })
  const take = (moduleId: string) => {
    keep()
    documents.set('Module', optionId, coverId, { moduleId })
  }
  const choose = (moduleId: string) => {
    if (moduleId === cover.moduleId) return keep()
    const then = siteWith({ ...option, [coverId]: { ...cover, moduleId } })
    if (changesOf(site(), then).some(({ before, after }) => after < before))
      session.setState({ askedModule: { moduleId, option } })
    else take(moduleId)
  }
  return { choose, take, keep }
}

/** How many modules each array has and would have. */
export function changesOf(now: Site, then: Site): { id: string; before: number; after: number }[] {
  return now.arrays.map(({ id, panels }) => ({
    id,
    before: panels.length,
    after: then.arrays.find((array) => array.id === id)?.panels.length ?? 0,
  }))
}
