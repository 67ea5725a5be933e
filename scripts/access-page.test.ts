import { readFileSync } from 'node:fs'
import { rules } from '@/server/access'
import { accessPage } from './access-page'

test('the page of who may do what is the one of today, with a line for every route', () => {
  const page = accessPage()
  expect(readFileSync('docs/access.md', 'utf8')).toBe(page)
  for (const route of Object.keys(rules)) expect(page.split(`\`${route}\``)).toHaveLength(2)
  // Each is let in where the rule says so, and nowhere else.
  expect(page).toContain('| `GET /metrics` | – | – | – | – | – | – | – | – | yes |')
  expect(page).toContain('| `GET /offer/[token]` | – | yes | – | – | – | – | – | – | – |')
  expect(page).toContain('| `POST /api/jobs` | – | – | yes | yes | – | – | – | – | – |')
  expect(page).toContain('| `GET /team` ¹ | – | – | yes | – | – | – | – | – | – |')
  expect(page).toContain('| `GET /health` | yes | yes | yes | yes | yes | yes | yes | yes | yes |')
})
