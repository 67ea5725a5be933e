import { siteId } from '@/core/model/kinds/site'
import { type StageScene } from './stage/scene'
import { type DocumentStore } from './store/documents'
import { type SessionStore } from './store/session'
import { type ToolContext } from './tools/chart'

export function makeToolContext(
  documents: DocumentStore,
  session: SessionStore,
  scene: () => StageScene,
  random = Math.random,
): ToolContext {
  return {
    documents,
    session,
    scene,
    option: () => documents.document(session.getState().optionId),
    units: () => {
      const site = documents.house[siteId]
      return site?.kind === 'site' ? site.units : 'metric'
    },
    random,
  }
}
