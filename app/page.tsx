import { JobAbout } from '@/bench/jobs/job-about'
import { JobFilters } from '@/bench/jobs/job-filters'
import { JobList } from '@/bench/jobs/job-list'
import { listAddressOf, paramsOfList } from '@/bench/jobs/list-address'
import { BinNote, emptyText, ListHeader, ListPages } from '@/bench/jobs/list-parts'
import { mayDesign } from '@/core/model/roles'
import { hasAccounts } from '@/server/hosts'
import { openMemberPage } from '@/server/open-page'
import { countJobs, jobsOnPage, manyJobs } from '@/server/sql/job-list'
import { manyTemplates } from '@/server/sql/job-progress'
import { manyDesigners } from '@/server/sql/people'
import { figuresFor } from '@/server/summaries'

export const dynamic = 'force-dynamic'

export default async function StartPage({
  searchParams,
}: {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const who = await openMemberPage('GET /', '/')
  const list = listAddressOf(await searchParams)
  const { q, shelf, status, tag, owner, isByNextStep, page } = list
  const [rows, { counts, tags }, owners, templates] = await Promise.all([
    manyJobs(who.teamId, { search: q, shelf, status, tag, ownerId: owner, isByNextStep, page }),
    countJobs(who.teamId),
    manyDesigners(who.teamId),
    manyTemplates(who.teamId),
  ])
  // Where the server stands, which on one's own machine is where the designer sits; written as days are kept.
  const today = new Intl.DateTimeFormat('sv-SE').format(new Date())
  const shown = rows.slice(0, jobsOnPage)
  // What is deleted is not computed anew.
  const figures = await figuresFor(
    who.teamId,
    shown.filter(({ deleted }) => !deleted),
  )
  const jobs = shown.map((row) => ({
    id: row.id,
    name: row.name,
    address: row.address,
    touchedAt: row.touchedAt.toISOString(),
    figures: figures.get(row.id) ?? { summary: row.summary, state: 'fresh' },
    noted: {
      status: row.status,
      tags: row.tags,
      notes: row.notes,
      ownerId: row.ownerId,
      nextStep: row.nextStep,
      nextOn: row.nextOn,
      template: row.template,
      archived: row.archived,
    },
    about: (
      <JobAbout
        {...row}
        today={today}
        owner={owners.length > 1 ? (owners.find(({ id }) => id === row.ownerId)?.name ?? null) : null}
        isTemplate={row.template !== 'none'}
      />
    ),
  }))
  return (
    <JobList
      jobs={jobs}
      q={q}
      shelf={shelf}
      kept={[...paramsOfList({ ...list, q: '', page: 0 })]}
      header={<ListHeader who={who.name} role={who.role} hasAccounts={hasAccounts()} />}
      filters={
        <>
          <JobFilters list={list} counts={counts} tags={tags} owners={owners} />
          {shelf === 'bin' && <BinNote />}
        </>
      }
      empty={emptyText(list)}
      pages={<ListPages list={list} hasMore={rows.length > jobsOnPage} />}
      mayDesign={mayDesign(who.role)}
      hasLinks={hasAccounts()}
      owners={owners.map(({ id, name }) => ({ id, name }))}
      templates={templates}
    />
  )
}
