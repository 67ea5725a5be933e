'use client'

import { later } from '@/words/en/later'
import { useBench, useNumbers, useOption, useSayer } from '../context'
import { splitOff } from '../tools/arrays/deeds'
import { removeSelected } from '../tools/select/edits'
import { useToolContext } from '../use-tool-context'
import { Fact, Frame } from './frame'

/** Least loss that is worth naming, kWh a year. */
const worthNamingKwh = 1

/** One module. */
export function PanelCard({ id, arrayId }: { readonly id: string; readonly arrayId: string }) {
  const { numbers } = useNumbers()
  const { session } = useBench()
  const array = useOption()[arrayId]
  const context = useToolContext()
  const sayer = useSayer()
  const panel = numbers?.summary.panels.find((p) => p.id === id)
  const sun = sayer.quantity({ value: panel?.sunKwhM2 ?? 0, unit: 'kWh/m²' })
  const access = sayer.quantity({ value: panel?.sunAccess ?? 1, unit: 'share' })
  const worst = panel?.worst && panel.worst.kwh >= worthNamingKwh ? panel.worst : null
  return (
    <Frame title="Module" kind={panel?.stringId ? `string ${panel.stringId}` : 'module'}>
      <Fact label="Irradiation" value={sun.figure} unit={sun.unit} />
      <Fact label="Sun access" value={access.figure} unit={access.unit} />
      {worst && (
        <Fact
          label="Shaded by"
          value={sayer.name(worst.id)}
          unit={sayer.written({ value: worst.kwh, unit: 'kWh' })}
        />
      )}
      <div className="mt-1.5 flex gap-3">
        <button
          type="button"
          className="cursor-pointer text-[12px] text-clay hover:underline"
          onClick={() => removeSelected(context)}
        >
          Delete (Del)
        </button>
        <button
          type="button"
          className="cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => session.setState({ selection: { kind: 'object', id: arrayId } })}
        >
          Whole array
        </button>
        {array?.kind === 'array' && (
          <button
            type="button"
            title={later.arrayDeeds.splitHint}
            className="cursor-pointer text-[12px] text-verdigris hover:underline"
            onClick={() => splitOff(context, array, [{ id, arrayId }])}
          >
            {later.arrayDeeds.split}
          </button>
        )}
        <button
          type="button"
          className="cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => session.setState({ dialog: 'shade' })}
        >
          {later.shade.path}
        </button>
      </div>
    </Frame>
  )
}
