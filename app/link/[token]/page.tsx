import { redirect } from 'next/navigation'
import { type Metadata } from 'next'
import { AccountForm } from '@/bench/accounts/account-form'
import { Frame } from '@/bench/accounts/frame'
import { LinkOver } from '@/bench/accounts/link-over'
import { ifThere } from '@/server/if-there'
import { linkAt } from '@/server/job-links'
import { openPage } from '@/server/open-page'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Tall Gable', robots: { index: false, follow: false } }

/** Leads to the one job that the link is for, once its password was said where it has one. */
export default async function LinkPage({ params }: { readonly params: Promise<{ token: string }> }) {
  await openPage('GET /link/[token]')
  const { token } = await params
  const link = await ifThere(linkAt(token), 'link-over')
  if (!link) return <LinkOver />
  if (link.passwordHash === null) redirect(`/link/${encodeURIComponent(token)}/enter`)
  return (
    <Frame title="Tall Gable">
      <p className="mb-4">This link is for {link.name}. It has a password of its own.</p>
      <AccountForm
        url={`/link/${token}/open`}
        submit="Open"
        goTo={`/jobs/${link.jobId}`}
        fields={[
          {
            name: 'password',
            label: 'Password of the link',
            type: 'password',
            autoComplete: 'off',
            most: 200,
          },
        ]}
      />
    </Frame>
  )
}
