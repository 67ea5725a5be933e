'use client'

import { useMemo } from 'react'
import { useBench } from './context'
import { makeToolContext } from './make-tool-context'
import { type ToolContext } from './tools/chart'

/** What the tools work with, for a button that does what a tool does. */
export function useToolContext(): ToolContext {
  const parts = useBench()
  return useMemo(() => makeToolContext(parts), [parts])
}
