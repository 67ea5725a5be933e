import { jobStatuses, type JobStatus } from '@/core/model/job-status'

/** What the list shows, kept in the address of its page. */
export interface ListAddress {
  readonly q: string
  readonly shelf: 'open' | 'archive' | 'bin'
  readonly status: JobStatus | null
  readonly tag: string | null
  readonly owner: string | null
  readonly isByNextStep: boolean
  /** From 0. */
  readonly page: number
}

export const wholeList: ListAddress = {
  q: '',
  shelf: 'open',
  status: null,
  tag: null,
  owner: null,
  isByNextStep: false,
  page: 0,
}

const longestSearch = 100
const uuid = /^[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}$/

/** Reads it from the address; whatever makes no sense there counts as not said. */
export function listAddressOf(params: Readonly<Record<string, string | readonly string[] | undefined>>) {
  const text = (name: string) => {
    const value = params[name]
    return typeof value === 'string' ? value.slice(0, longestSearch) : ''
  }
  const shelf = text('shelf')
  const page = Number(text('page'))
  return {
    q: text('q').trim(),
    shelf: shelf === 'archive' || shelf === 'bin' ? shelf : 'open',
    status: jobStatuses.find((status) => status === text('status')) ?? null,
    tag: text('tag').trim() || null,
    owner: uuid.test(text('owner')) ? text('owner') : null,
    isByNextStep: text('by') === 'next-step',
    page: Number.isSafeInteger(page) && page > 0 ? page - 1 : 0,
  } satisfies ListAddress
}

/** What stands in the address of a list. */
export function paramsOfList({ q, shelf, status, tag, owner, isByNextStep, page }: ListAddress) {
  const params = new URLSearchParams()
  if (q !== '') params.set('q', q)
  if (shelf !== 'open') params.set('shelf', shelf)
  if (status) params.set('status', status)
  if (tag !== null) params.set('tag', tag)
  if (owner !== null) params.set('owner', owner)
  if (isByNextStep) params.set('by', 'next-step')
  if (page > 0) params.set('page', String(page + 1))
  return params
}

/** The address of a list. */
export function addressOfList(list: ListAddress): string {
  const text = paramsOfList(list).toString()
  return text === '' ? '/' : `/?${text}`
}
