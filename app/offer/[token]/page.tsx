import { notFound } from 'next/navigation'
import { type Metadata } from 'next'
import { Fault } from '@/core/model/fault'
import { Proposal } from '@/proposal/proposal'
import { proposalData } from '@/proposal/proposal-data'
import { sharedRun } from '@/server/proposal'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Your solar offer', robots: { index: false, follow: false } }

interface Props {
  readonly params: Promise<{ token: string }>
  readonly searchParams: Promise<{ print?: string | string[] }>
}

export default async function OfferPage({ params, searchParams }: Props) {
  const { token } = await params
  const { print } = await searchParams
  const run = await sharedRun(token).catch((error: unknown) => {
    if (error instanceof Fault && error.code === 'no-such-offer') notFound()
    throw error
  })
  const data = proposalData(run.job.name, run.world, run.run, run.summary)
  return <Proposal data={data} print={print === '1'} pdfPath={`/offer/${token}/pdf`} />
}
