'use client'

import { Choose } from './sheet-table'

/** A line of data sheets that stand beside each other: its name, and what each of them says. */
export type SheetLine = readonly [label: string, values: readonly string[]]

/** Data sheets beside each other, in parts with a heading each. */
export function SideBySide({
  sheets,
  parts,
  chosenId,
  onChoose,
}: {
  readonly sheets: readonly { readonly id: string; readonly name: string }[]
  readonly parts: readonly { readonly title: string; readonly lines: readonly SheetLine[] }[]
  readonly chosenId: string | null
  readonly onChoose: (id: string) => void
}) {
  return (
    <table className="w-full text-[13px]">
      <thead>
        <tr className="border-b border-line">
          <td />
          {sheets.map((sheet) => (
            <th key={sheet.id} className="py-1 text-right">
              <div className="text-[15px] font-semibold">{sheet.name}</div>
              <Choose sheet={sheet} chosenId={chosenId} onChoose={onChoose} />
            </th>
          ))}
        </tr>
      </thead>
      {parts.map(({ title, lines }) => (
        <tbody key={title}>
          <tr>
            <th scope="colgroup" colSpan={sheets.length + 1} className="pt-3 text-left font-semibold">
              {title}
            </th>
          </tr>
          {lines.map(([label, values]) => (
            <tr key={label} className="border-b border-line/60">
              <th scope="row" className="py-1 text-left font-normal text-pencil">
                {label}
              </th>
              {values.map((value, i) => (
                <td key={i} className="text-right">
                  {value}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      ))}
    </table>
  )
}
