import { type Metadata } from 'next'
import { AccountForm } from '@/bench/accounts/account-form'
import { Frame } from '@/bench/accounts/frame'
import { openPage } from '@/server/open-page'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Password forgotten · Tall Gable' }

export default async function ForgottenPage() {
  await openPage('GET /forgotten')
  return (
    <Frame title="Password forgotten">
      <AccountForm
        url="/api/forgotten"
        submit="Send a link"
        said="If there is an account under this address, a link is on its way. It leads to a new password for an hour."
        fields={[{ name: 'mail', label: 'Mail address', type: 'email', autoComplete: 'username', most: 254 }]}
      >
        <a href="/sign-in" className="underline">
          Sign in
        </a>
      </AccountForm>
    </Frame>
  )
}
