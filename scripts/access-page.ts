import { rules } from '@/server/access'

/** Who is let in by a rule, and what is asked of them. */
const visitors = {
  anyone: 'Whoever reaches the server',
  link: 'Whoever has the link of an offer',
  designer: 'A designer, and only with what is of the own team',
  operator: 'Whoever runs the server, from the machine itself',
} as const

type Visitor = keyof typeof visitors
/** Each may do what those before it may. */
const order = Object.keys(visitors) as readonly Visitor[]

/** `docs/access.md`: every route and page against everyone who may ask. */
export function accessPage(): string {
  const lines = Object.entries(rules).map(([route, { who, perMinute }]) => {
    const marks = order.map((visitor) => (visitor === who || who === 'anyone' ? 'yes' : '–'))
    return `| \`${route}\` | ${marks.join(' | ')} | ${perMinute} |`
  })
  return [
    '# Who may do what',
    '',
    'Written by `npm run generate` from the rules in `server/access.ts`; a route without a rule fails the tests. What is for',
    'anyone is for all the others too. With the id of another team’s job, offer, file or weather a route answers as if there',
    'were none, which `server/routes.test.ts` asks of each.',
    '',
    ...order.map((visitor) => `- **${visitor}**: ${visitors[visitor]}.`),
    '',
    `| Route | ${order.join(' | ')} | Requests a minute |`,
    `| --- | ${order.map(() => '---').join(' | ')} | ---: |`,
    ...lines,
    '',
  ].join('\n')
}
