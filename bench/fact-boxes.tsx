/** A row of figures that a sheet begins with: label, value, unit. */
export function FactBoxes({
  facts,
}: {
  readonly facts: readonly (readonly [label: string, value: string, unit: string])[]
}) {
  return (
    <dl className="grid grid-cols-4 gap-2 max-sm:grid-cols-2">
      {facts.map(([label, value, unit]) => (
        <div key={label} className="rounded-lg border border-line px-3 py-2">
          <dt className="quiet">{label}</dt>
          <dd className="text-[18px] font-semibold">
            {value} <span className="text-[12px] font-normal text-pencil">{unit}</span>
          </dd>
        </div>
      ))}
    </dl>
  )
}
