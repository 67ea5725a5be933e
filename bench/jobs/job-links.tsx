'use client'

import { useEffect, useState } from 'react'
import { typedIn } from '../accounts/account-form'
import { send, type Sent } from '../accounts/send'
import { dateText } from './job-words'

/** A link to the job, as the server tells of it. */
interface ListedLink {
  readonly id: string
  readonly name: string
  readonly role: 'viewer' | 'editor'
  readonly address: string | null
  readonly hasPassword: boolean
  readonly by: string | null
  readonly madeAt: string
  readonly expiresAt: string | null
  readonly seen: number
  readonly seenAt: string | null
}

const roleWords = { viewer: 'to look at', editor: 'to edit' } as const

const aboutOf = ({ role, hasPassword, by, expiresAt, seen, seenAt }: ListedLink): string =>
  [
    roleWords[role],
    ...(hasPassword ? ['with a password'] : []),
    expiresAt === null ? 'until it is withdrawn' : `until ${dateText(expiresAt)}`,
    seen === 0 || seenAt === null
      ? 'not opened yet'
      : `opened ${seen === 1 ? 'once' : `${seen} times`}, last on ${dateText(seenAt)}`,
    ...(by === null ? [] : [`made by ${by}`]),
  ].join(' · ')

/** Links to one job, for people without an account: made, shown, withdrawn. */
export function JobLinks({ id, name }: { readonly id: string; readonly name: string }) {
  const url = `/api/jobs/${id}/links`
  const [links, setLinks] = useState<readonly ListedLink[] | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const [copied, setCopied] = useState<string | null>(null)
  const take = (sent: Sent): boolean => {
    setFault(sent.fault)
    // Every answer tells of all links anew.
    if (sent.fault === null) setLinks(sent.value['links'] as readonly ListedLink[])
    return sent.fault === null
  }
  useEffect(() => {
    let isGone = false
    void send(url, 'GET').then((sent) => {
      if (!isGone) take(sent)
    })
    return () => {
      isGone = true
    }
  }, [url])
  const make = async (form: HTMLFormElement) => {
    const { days, ...typed } = typedIn(form)
    const body = { ...typed, days: days ? Number(days) : null }
    if (take(await send(url, 'POST', body))) form.reset()
  }
  const copy = async (link: ListedLink) => {
    try {
      await navigator.clipboard.writeText(link.address ?? '')
      setCopied(link.id)
    } catch {
      setFault('The browser does not let this page copy. Select the link and copy it yourself.')
    }
  }
  return (
    <section aria-label={`Links to ${name}`} className="relative z-10 mt-3 border-t border-line pt-3">
      <h3 className="font-semibold">Links to this job</h3>
      <p className="quiet mb-2">
        Whoever has one sees this job alone, with its notes and contact but without its offers, and needs no
        account. Whoever may edit it sees the comments, too.
      </p>
      {links && links.length > 0 && (
        <ul className="mb-3 divide-y divide-line">
          {links.map((link) => (
            <li key={link.id} className="flex items-center gap-2 py-1.5">
              <span className="min-w-0 flex-1">
                For {link.name} <span className="quiet">{aboutOf(link)}</span>
                <span className="block truncate font-mono text-[12px] select-all">
                  {link.address ?? 'It was made with another key and cannot be shown again.'}
                </span>
              </span>
              {link.address !== null && (
                <button
                  type="button"
                  className="button"
                  aria-label={`Copy the link for ${link.name}`}
                  onClick={() => void copy(link)}
                >
                  {copied === link.id ? 'Copied' : 'Copy'}
                </button>
              )}
              <button
                type="button"
                className="button"
                aria-label={`Withdraw the link for ${link.name}`}
                onClick={() => void send(`${url}/${link.id}`, 'DELETE', {}).then(take)}
              >
                Withdraw
              </button>
            </li>
          ))}
        </ul>
      )}
      <form
        aria-label="New link"
        className="grid grid-cols-2 items-end gap-x-4 gap-y-2 md:grid-cols-[2fr_1fr_1fr_2fr_auto]"
        onSubmit={(event) => {
          event.preventDefault()
          void make(event.currentTarget)
        }}
      >
        <label>
          <span className="quiet mb-0.5 block">For whom</span>
          <input name="name" className="field" required maxLength={80} placeholder="Roofer, Sam Holt" />
        </label>
        <label>
          <span className="quiet mb-0.5 block">May</span>
          <select name="role" className="field">
            <option value="viewer">look at it</option>
            <option value="editor">edit it</option>
          </select>
        </label>
        <label>
          <span className="quiet mb-0.5 block">Holds</span>
          <select name="days" className="field" defaultValue="30">
            <option value="1">1 day</option>
            <option value="7">7 days</option>
            <option value="30">30 days</option>
            <option value="365">365 days</option>
            <option value="">until withdrawn</option>
          </select>
        </label>
        <label>
          <span className="quiet mb-0.5 block">Password, if wanted</span>
          <input
            name="password"
            type="password"
            autoComplete="new-password"
            className="field"
            maxLength={200}
          />
        </label>
        <button type="submit" className="button">
          Make link
        </button>
      </form>
      {fault !== null && (
        <p role="alert" className="mt-2 text-clay">
          {fault}
        </p>
      )}
    </section>
  )
}
