import { type Metadata } from 'next'
import { AccountForm } from '@/bench/accounts/account-form'
import { newPasswordField } from '@/bench/accounts/fields'
import { Frame } from '@/bench/accounts/frame'
import { LinkOver } from '@/bench/accounts/link-over'
import { openLink } from '@/server/accounts/links'
import { ifThere } from '@/server/if-there'
import { openPage } from '@/server/open-page'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = {
  title: 'New password · Tall Gable',
  robots: { index: false, follow: false },
}

export default async function PasswordPage({ params }: { readonly params: Promise<{ token: string }> }) {
  await openPage('GET /password/[token]')
  const { token } = await params
  const link = await ifThere(openLink(token, 'password'), 'link-over')
  if (!link) return <LinkOver />
  return (
    <Frame title="New password">
      <p className="mb-4">For {link.mail}. You are signed out everywhere else.</p>
      <AccountForm
        url={`/password/${token}/set`}
        submit="Set password"
        goTo="/sign-in"
        fields={[newPasswordField('password')]}
      />
    </Frame>
  )
}
