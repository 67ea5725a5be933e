import { type Metadata } from 'next'
import { Frame, Part } from '@/bench/accounts/frame'
import { LetterheadForm } from '@/bench/accounts/letterhead-form'
import { LogoChoice } from '@/bench/accounts/logo-choice'
import { Head, inItsColour } from '@/proposal/head'
import { letterheadOf } from '@/server/letterhead'
import { openMemberPage } from '@/server/open-page'
import { plainEnglish } from '@/words/plain-english'
import { proposalWords } from '@/words/proposal-words'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Letterhead · Tall Gable' }

export default async function LetterheadPage() {
  const { teamId } = await openMemberPage('GET /letterhead', '/letterhead')
  const kept = await letterheadOf(teamId)
  return (
    <Frame title="Letterhead" isWide isSignedIn>
      <p className="quiet mb-4 max-w-prose">
        Who you are to your customers: it stands at the head of every offer that is sent from now on. What was
        sent before stays as it was.
      </p>
      <div className="mb-7 max-w-lg">
        <LetterheadForm kept={kept} />
        <LogoChoice hasLogo={kept.logo !== null} />
      </div>
      <Part title="As it stands on an offer">
        <div className="offer-page rounded-lg border border-line bg-card p-5" style={inItsColour(kept)}>
          <Head letterhead={kept} words={proposalWords('en')} sayer={plainEnglish} />
          <h2 className="font-display text-[19px]">A heading</h2>
        </div>
      </Part>
    </Frame>
  )
}
