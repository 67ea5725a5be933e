import { type Metadata } from 'next'
import { Frame, Part } from '@/bench/accounts/frame'
import { OfferMonths } from '@/bench/accounts/offer-months'
import { whenText } from '@/bench/accounts/when'
import { WorkAside } from '@/bench/accounts/work-aside'
import { asideReasons, workNames } from '@/bench/accounts/work-names'
import { Facts } from '@/bench/accounts/facts'
import { statusWords } from '@/bench/jobs/job-words'
import { addressOfList, listAddressOf } from '@/bench/jobs/list-address'
import { jobStatuses } from '@/core/model/job-status'
import { openStreams, statementSeconds } from '@/server/metrics'
import { openMemberPage } from '@/server/open-page'
import { countLateJobs, manyMonthsOfOffers, waitingMail } from '@/server/sql/dashboard'
import { countJobs } from '@/server/sql/job-list'
import { countWork } from '@/server/sql/work-taking'
import { statementTimes } from '@/server/statement-times'
import { workAside } from '@/server/work/aside'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Dashboard · Tall Gable' }

const months = 12
const statements = 10

const countOf = (count: number, oldest: number | null): string =>
  count === 0 ? '0' : `${count}, the oldest for ${oldest ?? 0} s`

export default async function DashboardPage() {
  const who = await openMemberPage('GET /dashboard', '/dashboard')
  // Where the server stands; written as days are kept.
  const today = new Intl.DateTimeFormat('sv-SE').format(new Date())
  const [{ counts }, late, offers, mail, times, work, aside, streams] = await Promise.all([
    countJobs(who.teamId),
    countLateJobs(who.teamId, today),
    manyMonthsOfOffers(who.teamId, months),
    waitingMail(),
    statementTimes(statementSeconds, statements),
    countWork(),
    workAside(who.teamId),
    openStreams.get(),
  ])
  return (
    <Frame title="Dashboard" isWide isSignedIn>
      <Part title="Jobs" about="Open ones, by how far they have come.">
        <Facts
          facts={[
            ...jobStatuses.map((status) => ({
              name: statusWords[status],
              value: String(counts[status] ?? 0),
              href: addressOfList({ ...listAddressOf({}), status }),
            })),
            {
              name: 'Next step overdue',
              value: String(late),
              href: addressOfList({ ...listAddressOf({}), isByNextStep: true }),
            },
          ]}
        />
      </Part>
      <Part title="Offers" about="By the month they were sent: what has become of them until today.">
        <OfferMonths offers={offers} today={today} months={months} />
      </Part>
      <Part
        title="Work"
        about="What the workers do for all who use this server: offers, PDFs, imports, figures of the list."
      >
        <Facts
          facts={[
            { name: 'Running', value: String(work.running) },
            { name: 'Waiting', value: countOf(work.waiting, work.oldest) },
            {
              name: 'Mails waiting',
              value: countOf(mail.count, mail.oldest),
            },
            { name: 'Screens listening', value: String(streams.values[0]?.value ?? 0) },
          ]}
        />
        {aside.length > 0 && (
          <div className="mt-4">
            <p className="mb-2">
              Set aside, so that it stands in nobody’s way. The log of the worker tells more.
            </p>
            <WorkAside
              work={aside.map(({ id, task, reason, attempts, at }) => ({
                id,
                name: task === null ? 'Work of another version' : workNames[task],
                about: `${asideReasons[reason](attempts)} · ${whenText(at)}`,
              }))}
            />
          </div>
        )}
      </Part>
      <Part
        title="Statements"
        about="Those of the database that took most time in all, since this server process began."
      >
        <table className="w-full text-left">
          <thead>
            <tr className="border-b border-line">
              <th className="py-1.5 font-medium">Statement</th>
              <th className="py-1.5 text-right font-medium">Times</th>
              <th className="py-1.5 text-right font-medium">On average, ms</th>
              <th className="py-1.5 text-right font-medium">Over 100 ms</th>
            </tr>
          </thead>
          <tbody>
            {times.map(({ name, count, meanMs, slow }) => (
              <tr key={name} className="border-b border-line">
                <td className="py-1">{name}</td>
                <td className="py-1 text-right">{count}</td>
                <td className="py-1 text-right">{meanMs.toFixed(1)}</td>
                <td className="py-1 text-right">{slow}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Part>
    </Frame>
  )
}
