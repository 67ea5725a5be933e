import { readFileSync } from 'node:fs'
import { rules } from '@/server/access'
import { accessPage } from './access-page'

test('the page of who may do what is the one of today, with a line for every route', () => {
  const page = accessPage()
  expect(readFileSync('docs/access.md', 'utf8')).toBe(page)
  for (const route of Object.keys(rules)) expect(page.split(`\`${route}\``)).toHaveLength(2)
  // Nobody is let in by two kinds of mark, and the operator's page is the operator's alone.
  expect(page).toContain('| `GET /metrics` | – | – | – | yes |')
  expect(page).toContain('| `GET /offer/[token]` | – | yes | – | – |')
  expect(page).toContain('| `GET /health` | yes | yes | yes | yes |')
})
