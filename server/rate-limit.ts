import { LRUCache } from 'lru-cache'
import { Fault } from '@/core/model/fault'
import { ruleOf, type RouteName } from './access'

interface Bucket {
  tokens: number
  at: number
}

const holder = globalThis as { tallGableBuckets?: LRUCache<string, Bucket> }
const buckets = () => (holder.tallGableBuckets ??= new LRUCache<string, Bucket>({ max: 20_000 }))

/**
 * Takes one request off what a place may ask of a route: a full minute's worth at once, then as it fills up again.
 * @throws Fault `too-many-requests` with the seconds to wait
 */
export function checkRate(route: RouteName, from: string, now = Date.now()): void {
  const { perMinute } = ruleOf(route)
  const key = `${route} ${from}`
  const before = buckets().get(key)
  const tokens = before
    ? Math.min(perMinute, before.tokens + ((now - before.at) / 60_000) * perMinute)
    : perMinute
  if (tokens < 1)
    throw new Fault('too-many-requests', { seconds: Math.ceil(((1 - tokens) * 60) / perMinute) })
  buckets().set(key, { tokens: tokens - 1, at: now })
}
