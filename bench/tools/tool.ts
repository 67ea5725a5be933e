import { type Chapter, type ToolId } from '../store/session'
import { type ToolContext, type ToolState } from './chart'

/** A tool as it is declared: its key, where it belongs, and the state it begins in. Its words stand under its id. */
export interface Tool {
  readonly id: ToolId
  readonly key: string
  readonly chapter: Chapter
  readonly begin: (context: ToolContext) => ToolState
}
