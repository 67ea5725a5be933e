import { byInput, parallelRule, stringsRule } from '../../electrical/rules'
import { inputName } from '../../electrical/side-by-side'
import { electricalId, type DrawnString } from '../../kinds/electrical/electrical'
import { type Check } from '../../model/ledger'
import { type Wiring } from '../strings'
import { automaticFor } from './automatic'

/** What strings drawn by hand can come to that those strung automatically do not. */
export function drawnChecks(
  { electronics, strings, gone, mixed, inverters }: Wiring,
  drawn: readonly DrawnString[],
  inverter: { readonly id: string; readonly stringsPerInput: number; readonly mppInputs: number },
): Check[] {
  const beside = { inverters, mppInputs: inverter.mppInputs }
  const checks: Check[] = []
  if (gone.length > 0) {
    const missing = new Set(gone)
    checks.push({
      id: 'strings-gone',
      code: 'strings-gone',
      data: { modules: gone.length },
      severity: 'warning',
      measured: { figure: gone.length, limit: 0, unit: 'count' },
      objects: [],
      remedy: {
        code: 'leave-out',
        set: {
          id: electricalId,
          field: 'drawn',
          value: drawn
            .map((string) => ({ ...string, panelIds: string.panelIds.filter((id) => !missing.has(id)) }))
            .filter(({ panelIds }) => panelIds.length > 0),
        },
      },
    })
  }
  // Branches hang on no inputs.
  if (electronics === 'microinverters') return checks
  for (const [input, own] of byInput(strings)) {
    const common = {
      severity: 'broken',
      objects: own.flatMap(({ panelIds }) => panelIds),
      remedy: automaticFor(own, drawn),
    } as const
    const data = {
      input: inputName(input, beside),
      strings: own.map(({ id }) => id).join(', '),
      inverter: { ref: inverter.id },
    }
    const many = stringsRule(own, inverter)
    if (!many.ok)
      checks.push({
        id: `strings-many-${input}`,
        code: 'strings-many',
        data: { ...data, count: many.figure, limit: many.limit },
        measured: { figure: many.figure, limit: many.limit, unit: 'count' },
        ...common,
      })
    const unlike = parallelRule(own)
    // Optimizers bring each string to the volts of the input.
    if (electronics === 'none' && !unlike.ok)
      checks.push({
        id: `strings-unlike-${input}`,
        code: 'strings-unlike',
        data: { ...data, modules: unlike.figure },
        measured: { figure: unlike.figure, limit: unlike.limit, unit: 'count' },
        ...common,
        severity: 'warning',
      })
  }
  for (const { input, directions, panelIds } of mixed) {
    const own = strings.filter((string) => string.input === input)
    checks.push({
      id: `strings-mixed-${input}`,
      code: 'strings-mixed',
      data: { input: inputName(input, beside), strings: own.map(({ id }) => id).join(', '), directions },
      severity: 'warning',
      measured: { figure: directions, limit: 1, unit: 'count' },
      objects: panelIds,
      remedy: automaticFor(own, drawn),
    })
  }
  return checks
}
