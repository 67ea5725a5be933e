'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { send } from './send'

/** Does one thing at a time by a press, then shows the page anew. @returns of `go`: whether it went well */
export function useDeed() {
  const router = useRouter()
  const [fault, setFault] = useState<string | null>(null)
  const [isBusy, setBusy] = useState(false)
  const go = async (url: string, method: string, body: object = {}) => {
    setBusy(true)
    const sent = await send(url, method, body)
    setBusy(false)
    setFault(sent.fault)
    if (sent.fault === null) router.refresh()
    return sent.fault === null
  }
  return { fault, isBusy, go }
}
