import dynamic from 'next/dynamic'
import { type ComponentProps, type ComponentType } from 'react'
import type * as Later from './later-parts'

const later = (): Promise<typeof Later> => import('./later-parts')

/** Fetches them before one is asked for, whatever the network does by then. */
export const fetchLaterParts = (): Promise<typeof Later> => later()

type PartName = {
  [N in keyof typeof Later]: N extends
    `${string}Chapter` | `${string}Dialog` | `${string}Card` | `${string}Layer` | `${string}Panel`
    ? N
    : never
}[keyof typeof Later]
type PropsOf<N extends PartName> = ComponentProps<(typeof Later)[N]>

/** A part of the screen by its name, fetched when it is first shown. */
export const lazyPart = <N extends PartName>(name: N): ComponentType<PropsOf<N>> =>
  dynamic(() => later().then((all) => all[name] as ComponentType<PropsOf<N>>), { ssr: false })
