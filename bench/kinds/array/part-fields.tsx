'use client'

import { type PanelArray } from '@/core/kinds/array/array'
import { parseRows, writeRows } from '@/core/kinds/array/row-text'
import { reachOf } from '@/core/kinds/array/set-out'
import { type ArrayPart } from '@/core/kinds/array/part'
import { frameOf, toFrame } from '@/core/layout/plane-frame'
import { isPaired } from '@/core/layout/tilt'
import { formatLength } from '@/core/model/units'
import { type LaidArray } from '@/core/site/site'
import { later } from '@/words/en/later'
import { Fact } from '../../card/frame'
import { useBench, useSayer, useSession, useSite } from '../../context'
import { ChoiceField } from '../../fields/fields'
import { TextField } from '../../fields/text-field'
import { copyBeside, fillPlane, flipArray, setOutAsRows } from '../../tools/arrays/deeds'
import { type ToolContext } from '../../tools/chart'
import { useToolContext } from '../../use-tool-context'

const words = later.arrayDeeds

/** What is told and typed of the part of a plane that an array is laid in. */
export function PartFields({
  array,
  part,
  laid,
}: {
  readonly array: PanelArray
  readonly part: ArrayPart
  readonly laid: LaidArray | undefined
}) {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const sayer = useSayer()
  const context = useToolContext()
  const module = context.module()
  const set = (label: string, fields: Partial<PanelArray>) => documents.set(label, optionId, array.id, fields)
  return (
    <>
      {part.is === 'rows' && (
        <>
          <TextField
            label={words.rows}
            shown={writeRows({ counts: part.counts, removed: array.removed })}
            width="words"
            hint={words.rowsHint}
            onType={(text) => {
              const { counts, removed } = parseRows(text)
              return set(words.rows, { part: { ...part, counts: [...counts] }, removed: [...removed] })
            }}
          />
          {new Set(part.counts).size > 1 && (
            <ChoiceField
              label={words.align}
              value={part.align}
              choices={(['left', 'center', 'right'] as const).map((align) => ({
                value: align,
                label: words.aligned[align],
              }))}
              wide={false}
              onChoose={(align) => set(words.align, { part: { ...part, align } })}
            />
          )}
        </>
      )}
      {module && <Across label={words.overall} across={reachOf(array, part, module)} />}
      {laid?.margins && <Across label={words.plane} across={extentOf(laid.margins.plane)} />}
      {laid && laid.unfit.length > 0 && (
        <p className="text-[12px] text-clay">{sayer.say(words.unfit, { n: laid.unfit.length })}</p>
      )}
    </>
  )
}

function Across({
  label,
  across: [wide, high],
}: {
  readonly label: string
  readonly across: readonly number[]
}) {
  const sayer = useSayer()
  const { units, locale } = useSite()
  const length = (metres = 0) => formatLength(metres, units, locale)
  return <Fact label={label} value={sayer.say(words.across, { wide: length(wide), high: length(high) })} />
}

/** How far a plane reaches along its eave and up its slope, m. */
function extentOf(plane: NonNullable<LaidArray['margins']>['plane']): readonly number[] {
  const frame = frameOf(plane)
  const points = plane.corners.map((corner) => toFrame(frame, corner))
  return ([0, 1] as const).map((axis) => {
    const along = points.map((p) => p[axis])
    return Math.max(...along) - Math.min(...along)
  })
}

/** What can be done with an array where it lies. */
export function PartDeeds({ array }: { readonly array: PanelArray }) {
  const context = useToolContext()
  return (
    <div className="mt-1 flex flex-wrap gap-x-3 gap-y-0.5">
      {deedsOf(array).map(({ label, hint, run }) => (
        <button
          key={label}
          type="button"
          title={hint}
          className="cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => run(context)}
        >
          {label}
        </button>
      ))}
    </div>
  )
}

interface Deed {
  readonly label: string
  readonly hint: string
  readonly run: (context: ToolContext) => void
}

function deedsOf(array: PanelArray): readonly Deed[] {
  const { part } = array
  const setOut: Deed = {
    label: words.setOut,
    hint: words.setOutHint,
    run: (context) => setOutAsRows(context, array),
  }
  // Pairs stand in cells of two, which rows that are counted one by one do not know.
  const canSetOut = part?.is !== 'rows' && !isPaired(array.tilt)
  if (!part) return canSetOut ? [setOut] : []
  return [
    ...(canSetOut ? [setOut] : []),
    { label: words.copy, hint: words.copyHint, run: (context) => copyBeside(context, array) },
    {
      label: words.flipEave,
      hint: words.flipEaveHint,
      run: (context) => flipArray(context, array, 'eave'),
    },
    {
      label: words.flipSlope,
      hint: words.flipSlopeHint,
      run: (context) => flipArray(context, array, 'slope'),
    },
    { label: words.fill, hint: words.fillHint, run: (context) => fillPlane(context, array) },
  ]
}
