import dynamic from 'next/dynamic'
import { type ComponentType } from 'react'
import type * as Cards from './cards'

const cards = (): Promise<typeof Cards> => import('./cards')

/** Fetches the cards before one is asked for, so that the first one is there at once, whatever the network does by then. */
export const fetchCards = (): Promise<unknown> => cards()

/** A card by its name, fetched when it is first shown. */
export const lazyCard = <P>(name: keyof typeof Cards): ComponentType<P> =>
  // Each kind names the card of its own objects.
  dynamic(() => cards().then((all) => all[name] as unknown as ComponentType<P>), { ssr: false })
