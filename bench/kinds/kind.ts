import { type ComponentType } from 'react'
import { type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { type Site } from '@/core/site/site'
import { type Sayer } from '@/words/sayer'
import { type Chapter } from '../store/session'
import { type Tool } from '../tools/tool'

/** What the bench knows of one kind of object. */
export interface BenchKind<T extends AnyObject> {
  /** The chapter that lists its objects; null for settings, of which there is one. */
  readonly listedIn: Chapter | null
  /** What an object is called on its card and in its list. */
  readonly title: (object: T, sayer: Sayer, site: Site, house: Objects) => string
  /** What stands beside that. */
  readonly note: (object: T, sayer: Sayer) => string
  /** The measures on its card; null for one without a card. */
  readonly Card: ComponentType<{ readonly object: T }> | null
  readonly tools: readonly Tool[]
}

/** Settings: no list, no card, no tools. */
export const settings: BenchKind<AnyObject> = {
  listedIn: null,
  title: (object, sayer) => sayer.words.kinds[object.kind].one,
  note: () => '',
  Card: null,
  tools: [],
}

/** For kinds whose objects have names. */
export const byName = ({ name }: { readonly name: string }): string => name
