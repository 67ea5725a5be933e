import { isForMembers, ruleOf, rules, type RouteName } from '../access'
import { wayBack } from './way-back'

test('one comes back to pages of ours alone', () => {
  const job = '/jobs/0b6e7f2e-6f0a-4c0c-9a53-3d1e0f8a7b11'
  const pages = Object.keys(rules).flatMap((name) => {
    const [, path] = /^GET (\/[a-z]*)$/.exec(name) ?? []
    return path !== undefined && isForMembers(ruleOf(name as RouteName)) ? [path] : []
  })
  expect(pages).toEqual(expect.arrayContaining(['/', '/account', '/team', '/letterhead', '/dashboard']))
  for (const to of [...pages, job]) expect(wayBack(to)).toBe(to)
  const others = [
    '//evil.example',
    'https://evil.example/',
    '/\\evil.example',
    `${job}/../../team`,
    '/metrics',
  ]
  for (const to of [
    ...others,
    'javascript:alert(1)',
    '',
    null,
    undefined,
    ['/account', '/team'],
    '/team?x',
    ' /team',
  ])
    expect(wayBack(to)).toBe('/')
})
