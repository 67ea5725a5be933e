import dynamic from 'next/dynamic'
import type * as Others from './others'

const others = (): Promise<typeof Others> => import('./others')

/** Fetches the chapters before one is opened, whatever the network does by then. */
export const fetchChapters = (): Promise<unknown> => others()

/** A chapter by its name, fetched when it is first opened. */
export const lazyChapter = (name: Extract<keyof typeof Others, `${string}Chapter`>) =>
  dynamic(() => others().then((all) => all[name]), { ssr: false })
