import { whenText } from './when'

/** What each deed is called. */
const deedWords: Readonly<Record<string, string>> = {
  'signed-in': 'signed in',
  'sign-in-failed': 'failed to sign in',
  'signed-out': 'signed out',
  invited: 'invited',
  'invitation-withdrawn': 'withdrew an invitation',
  joined: 'joined',
  'role-set': 'set the role of',
  left: 'took out',
  'password-set': 'set a new password',
  'password-asked': 'a new password was asked for',
  'code-on': 'turned the second factor on',
  'code-off': 'turned the second factor off',
  'spare-code-used': 'used a spare code',
  'sign-ins-ended': 'ended sign-ins',
  'link-made': 'made a link to',
  'link-withdrawn': 'withdrew a link to a job',
  'letterhead-set': 'set the letterhead:',
  'logo-set': 'set the logo',
  'logo-removed': 'removed the logo',
}

/** What was done about accounts, and by whom. */
export function AuditList({
  notes,
}: {
  readonly notes: readonly {
    readonly id: number
    readonly who: string | null
    readonly what: string
    readonly about: string
    readonly place: string
    readonly at: Date
  }[]
}) {
  return (
    <div
      className="max-h-96 overflow-auto rounded-lg border border-line bg-card"
      tabIndex={0}
      role="region"
      aria-label="What was done"
    >
      <table className="w-full text-left">
        <thead className="sticky top-0 bg-fold">
          <tr>
            <th className="px-3 py-1.5 font-medium">When</th>
            <th className="px-3 py-1.5 font-medium">Who</th>
            <th className="px-3 py-1.5 font-medium">What</th>
            <th className="px-3 py-1.5 font-medium">From</th>
          </tr>
        </thead>
        <tbody>
          {notes.map(({ id, who, what, about, place, at }) => (
            <tr key={id} className="border-t border-line align-top">
              <td className="px-3 py-1.5 whitespace-nowrap">{whenText(at)}</td>
              <td className="px-3 py-1.5">{who ?? '–'}</td>
              <td className="px-3 py-1.5">
                {deedWords[what] ?? what} <span className="text-pencil">{about}</span>
              </td>
              <td className="px-3 py-1.5 whitespace-nowrap">{place === 'here' ? 'this machine' : place}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
