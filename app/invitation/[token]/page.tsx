import { type Metadata } from 'next'
import { AccountForm, type FormField } from '@/bench/accounts/account-form'
import { Frame } from '@/bench/accounts/frame'
import { LinkOver } from '@/bench/accounts/link-over'
import { newPasswordField } from '@/bench/accounts/fields'
import { openLink, roleWords } from '@/server/accounts/links'
import { openPage } from '@/server/open-page'
import { ifThere } from '@/server/if-there'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = {
  title: 'Invitation · Tall Gable',
  robots: { index: false, follow: false },
}

const mailField: FormField = {
  name: 'mail',
  label: 'Mail address',
  type: 'email',
  autoComplete: 'username',
  most: 254,
}
const nameField: FormField = { name: 'name', label: 'Name', type: 'text', autoComplete: 'name', most: 80 }

export default async function InvitationPage({ params }: { readonly params: Promise<{ token: string }> }) {
  await openPage('GET /invitation/[token]')
  const { token } = await params
  const link = await ifThere(openLink(token, 'join'), 'link-over')
  if (!link) return <LinkOver />
  return (
    <Frame title={`Join ${link.team}`}>
      <p className="mb-4">
        {link.mail === ''
          ? 'You will be the owner of this team.'
          : `${link.mail} is invited as ${roleWords[link.role]}.`}
      </p>
      <AccountForm
        url={`/invitation/${token}/join`}
        submit="Join"
        goTo="/"
        fields={[
          nameField,
          // Whoever was written to needs not say where.
          ...(link.mail === '' ? [mailField] : []),
          newPasswordField('password'),
        ]}
      />
    </Frame>
  )
}
