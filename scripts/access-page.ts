import { rules } from '@/server/access'

/** Who is let in by a rule, and what is asked of them. */
const visitors = {
  anyone: 'Whoever reaches the server',
  link: 'Whoever has the link of an offer, an invitation, a new password or a job',
  owner: 'An owner of the team',
  designer: 'A designer',
  reader: 'A reader, who changes nothing and may comment',
  installer: 'An installer, whose edits may touch photos and visits alone',
  viewer: 'Whoever has a link to look at one job, and sees that alone',
  editor: 'Whoever has a link to edit one job',
  operator: 'Whoever runs the server: from the machine itself, or with the word in `METRICS_SECRET`',
} as const

type Visitor = keyof typeof visitors
const order = Object.keys(visitors) as readonly Visitor[]

/** `docs/access.md`: every route and page against everyone who may ask. */
export function accessPage(): string {
  const lines = Object.entries(rules).map(([route, { who, perMinute, ...rest }]) => {
    const isIn = (visitor: Visitor) =>
      who === 'anyone' || (typeof who === 'string' ? who === visitor : who.some((role) => role === visitor))
    const marks = order.map((visitor) => (isIn(visitor) ? 'yes' : '–'))
    return `| \`${route}\`${'hasSignIn' in rest ? ' ¹' : ''} | ${marks.join(' | ')} | ${perMinute} |`
  })
  return [
    '# Who may do what',
    '',
    'Written by `npm run generate` from the rules in `server/access.ts`; a route without a rule fails the tests. What is for',
    'anyone is for all the others too. Members see what is of their own team alone: with the id of another team’s job, offer,',
    'file, weather, member or invitation a route answers as if there were none, which `server/routes.test.ts` asks of each.',
    'Where nobody signs in, on one’s own machine, its designer is an owner.',
    '',
    ...order.map((visitor) => `- **${visitor}**: ${visitors[visitor]}.`),
    '',
    `| Route | ${order.join(' | ')} | Requests a minute |`,
    `| --- | ${order.map(() => '---').join(' | ')} | ---: |`,
    ...lines,
    '',
    '¹ Only where people sign in (`SIGN_IN=accounts`).',
    '',
  ].join('\n')
}
