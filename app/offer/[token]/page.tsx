import { notFound } from 'next/navigation'
import { type Metadata } from 'next'
import { cache } from 'react'
import { Fault } from '@/core/model/fault'
import { pageLanguageOf } from '@/proposal/page-language'
import { Proposal } from '@/proposal/proposal'
import { Withdrawn } from '@/proposal/withdrawn'
import { stateOf } from '@/server/answers'
import { countVisit, offerAt, proposalIn } from '@/server/offers'
import { openPage } from '@/server/open-page'
import { designer } from '@/server/session'
import { proposalWords } from '@/words/proposal-words'

export const dynamic = 'force-dynamic'

/** What was sent with a link; once for the page and its title. */
const sent = cache(async (token: string) => {
  const offer = await offerAt(token)
  return { offer, data: await proposalIn(offer.body) }
})

/** The tab is in the customer's language as the page is; what is there no more says so in the usual one. */
export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { token } = await params
  const language = await sent(token).then(
    ({ data }) => pageLanguageOf(data),
    () => 'en' as const,
  )
  return { title: proposalWords(language).tab, robots: { index: false, follow: false } }
}

interface Props {
  readonly params: Promise<{ token: string }>
  readonly searchParams: Promise<{ print?: string | string[] }>
}

/** What was sent, as it was sent: nothing is computed here. */
export default async function OfferPage({ params, searchParams }: Props) {
  await openPage('GET /offer/[token]')
  const { token } = await params
  const print = (await searchParams).print === '1'
  const found = await sent(token).catch((error: unknown) => {
    if (error instanceof Fault && error.code === 'no-such-offer') notFound()
    if (error instanceof Fault && (error.code === 'offer-withdrawn' || error.code === 'offer-expired'))
      return null
    throw error
  })
  if (!found) return <Withdrawn />
  const { offer, data } = found
  // Who sent it and who prints it are not counted as visits.
  const isCustomer = !print && !(await designer())
  if (isCustomer) countVisit(offer.id)
  return (
    <Proposal
      data={data}
      print={print}
      pdfPath={`/offer/${token}/pdf`}
      figuresPath={`/offer/${token}/figures`}
      state={stateOf(offer)}
      mayAnswer={isCustomer}
    />
  )
}
