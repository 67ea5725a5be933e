import { type Role } from '@/core/model/roles'

export const roleNames: Readonly<Record<Role, string>> = {
  owner: 'Owner',
  designer: 'Designer',
  reader: 'Reader',
  installer: 'Installer',
}

/** What each may do, for whoever chooses it. */
export const roleHints: Readonly<Record<Role, string>> = {
  owner: 'Everything, and the team.',
  designer: 'All jobs: designs, offers, notes.',
  reader: 'Looks at all jobs and comments on them; changes nothing.',
  installer: 'Looks at all jobs and adds photos and visits; sees no offers that were sent.',
}
