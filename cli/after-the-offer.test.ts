import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const folder = mkdtempSync(join(tmpdir(), 'gable-after-'))

function gable(args: readonly string[]) {
  const { status, stdout, stderr } = spawnSync('node', ['bin/gable.mjs', ...args], { encoding: 'utf8' })
  const fault = stderr.split('\n').find((line) => line.startsWith('{"error"'))
  return {
    status,
    out: status === 0 ? (JSON.parse(stdout) as Record<string, unknown>) : {},
    error: fault ? (JSON.parse(fault) as { error: { code: string; path: string } }).error : null,
  }
}

test('papers: both sets of every shipped job, as PDF and as DXF; another form is refused', () => {
  for (const job of ['shipped', 'tarrowee', 'valdecorva'])
    for (const set of ['permit', 'hand-over']) {
      const file = join(folder, `${job}-${set}.pdf`)
      const { out } = gable(['papers', job, '--set', set, '--out', file])
      const sheets = out['sheets'] as string[]
      expect(sheets).toContain(set === 'permit' ? 'Structural summary' : 'Commissioning')
      const pdf = readFileSync(file, 'latin1')
      expect(pdf.match(/\/Type \/Page /g)).toHaveLength(sheets.length)
    }
  const dxf = join(folder, 'set.dxf')
  expect(gable(['papers', 'shipped', '--out', dxf]).status).toBe(0)
  expect(readFileSync(dxf, 'utf8')).toContain('ATTACHMENTS')
  const { status, error } = gable(['papers', 'shipped', '--out', join(folder, 'set.svg')])
  expect(status).toBe(2)
  expect(error).toMatchObject({ code: 'bad-papers-form', path: 'out' })
})

test('after: months against the model in the weather that was, or in that of a file', () => {
  const made = join(folder, 'months.csv')
  const months = Array.from({ length: 12 }, (_, k) =>
    new Date(Date.UTC(2025, 6 + k, 1)).toISOString().slice(0, 7),
  )
  writeFileSync(made, `month,Produced (kWh)\n${months.map((month) => `${month},700`).join('\n')}\n`)
  const { out } = gable(['after', 'shipped', '--made', made])
  expect(out).toMatchObject({
    by: 'months',
    weatherKnown: true,
    from: '2025-07-01T00:00',
    to: '2026-07-01T00:00',
  })
  expect(out['total']).toMatchObject({ madeKwh: 8400, hours: 8760 })
  expect((out['months'] as { month: string }[]).map(({ month }) => month)).toEqual(months)

  for (const [args, code] of [
    [['--since', 'July'], 'bad-since'],
    [['--weather', 'x.epw'], 'bad-year-file'],
    [['--column', 'Bought'], 'meter-file'],
  ] as const) {
    const refused = gable(['after', 'shipped', '--made', made, ...args])
    expect(refused.status).toBe(2)
    expect(refused.error?.code).toBe(code)
  }
})
