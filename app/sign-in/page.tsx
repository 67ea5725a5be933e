import { redirect } from 'next/navigation'
import { type Metadata } from 'next'
import { Frame } from '@/bench/accounts/frame'
import { SignInForm } from '@/bench/accounts/sign-in-form'
import { wayBack } from '@/server/accounts/way-back'
import { openPage } from '@/server/open-page'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Sign in · Tall Gable' }

export default async function SignInPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ to?: string | string[] }>
}) {
  const goTo = wayBack((await searchParams).to)
  if (await openPage('GET /sign-in')) redirect(goTo)
  return (
    <Frame title="Tall Gable">
      <SignInForm goTo={goTo} />
    </Frame>
  )
}
