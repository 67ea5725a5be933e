'use client'

import { useSyncExternalStore } from 'react'

const never = () => () => undefined

/**
 * Whether the page answers already. A form that is sent before is sent by the browser: what was typed would be gone, and
 * a password would stand in the address.
 */
export const useReady = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
