import { notFound } from 'next/navigation'
import { type Metadata } from 'next'
import { Fault } from '@/core/model/fault'
import { Proposal } from '@/proposal/proposal'
import { Withdrawn } from '@/proposal/withdrawn'
import { stateOf } from '@/server/answers'
import { countVisit, offerAt, proposalIn } from '@/server/offers'
import { openPage } from '@/server/open-page'
import { designer } from '@/server/session'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Your solar offer', robots: { index: false, follow: false } }

interface Props {
  readonly params: Promise<{ token: string }>
  readonly searchParams: Promise<{ print?: string | string[] }>
}

/** What was sent, as it was sent: nothing is computed here. */
export default async function OfferPage({ params, searchParams }: Props) {
  await openPage('GET /offer/[token]')
  const { token } = await params
  const print = (await searchParams).print === '1'
  const offer = await offerAt(token).catch((error: unknown) => {
    if (error instanceof Fault && error.code === 'no-such-offer') notFound()
    if (error instanceof Fault && (error.code === 'offer-withdrawn' || error.code === 'offer-expired'))
      return null
    throw error
  })
  if (!offer) return <Withdrawn />
  // Who sent it and who prints it are not counted as visits.
  const isCustomer = !print && !(await designer())
  if (isCustomer) countVisit(offer.id)
  return (
    <Proposal
      data={await proposalIn(offer.body)}
      print={print}
      pdfPath={`/offer/${token}/pdf`}
      figuresPath={`/offer/${token}/figures`}
      state={stateOf(offer)}
      mayAnswer={isCustomer}
    />
  )
}
