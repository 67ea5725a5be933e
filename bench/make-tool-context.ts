import { siteId } from '@/core/kinds/site/site'
import { layingIn } from '@/core/stages/standing'
import { english } from '@/words/english'
import { namesIn } from '@/words/names'
import { Sayer } from '@/words/sayer'
import { type BenchParts } from './context'
import { type ToolContext } from './tools/chart'

type Parts = Pick<
  BenchParts,
  'documents' | 'session' | 'site' | 'siteWith' | 'catalogue' | 'underLines' | 'lateStates'
>

/** @param random 0..1, for ids */
export function makeToolContext(parts: Parts, random = Math.random): ToolContext {
  const { documents, session, site, siteWith, catalogue, underLines, lateStates } = parts
  const option = () => documents.document(session.getState().optionId)
  const place = () => {
    const found = documents.house[siteId]
    return found?.kind === 'site' ? found : ({ locale: 'en-US', currency: 'USD', units: 'metric' } as const)
  }
  return {
    documents,
    session,
    site,
    siteWith,
    option,
    catalogue,
    module: (of = option()) => layingIn({ house: documents.house, option: of, catalogue }).module,
    units: () => place().units,
    locale: () => place().locale,
    sayer: () => new Sayer(english, place(), namesIn([documents.house, option()], catalogue)),
    linesNear: (at, reachM) => underLines.near(at, reachM),
    roofOver: (outline) => underLines.roofOver(outline),
    random,
    lateStates,
  }
}
