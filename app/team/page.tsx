import { type Metadata } from 'next'
import { AuditList } from '@/bench/accounts/audit-list'
import { Frame, Part } from '@/bench/accounts/frame'
import { Invitations, Invite } from '@/bench/accounts/invitations'
import { Members } from '@/bench/accounts/members'
import { roleNames } from '@/bench/accounts/role-names'
import { deviceText, whenText } from '@/bench/accounts/when'
import { openMemberPage } from '@/server/open-page'
import { manyNotes } from '@/server/sql/audit'
import { manyInvitations } from '@/server/sql/mailed-links'
import { manyColleagues } from '@/server/sql/people'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Team · Tall Gable' }

export default async function TeamPage() {
  const who = await openMemberPage('GET /team', '/team')
  const [members, invitations, notes] = await Promise.all([
    manyColleagues(who.teamId),
    manyInvitations(who.teamId),
    manyNotes(who.teamId, 200),
  ])
  return (
    <Frame title="Team" isWide isSignedIn>
      <Part title="Members">
        <Members
          ownId={who.id}
          members={members.map(({ id, name, role, mail, hasCode, seenAt }) => ({
            id,
            name,
            role,
            about: [
              mail ?? 'without an account',
              ...(hasCode ? ['with second factor'] : []),
              seenAt ? `last seen ${whenText(seenAt)}` : 'not signed in',
            ].join(' · '),
          }))}
        />
      </Part>
      <Part title="Invite" about="The invitation is mailed and holds for seven days.">
        <Invite />
      </Part>
      {invitations.length > 0 && (
        <Part title="Invitations" about="Nobody has taken these yet.">
          <Invitations
            invitations={invitations.map(({ id, mail, role, expiresAt }) => ({
              id,
              mail: mail || 'The first owner',
              about: `${roleNames[role]}, until ${whenText(expiresAt)}`,
            }))}
          />
        </Part>
      )}
      <Part title="Log" about="Sign-ins, and changes of who may do what: the last 200.">
        <AuditList
          notes={notes.map((note) => ({
            ...note,
            about: note.what === 'signed-in' ? `with ${deviceText(note.about)}` : note.about,
          }))}
        />
      </Part>
    </Frame>
  )
}
