'use client'

/** One of a few, all of them in sight. */
export function Pills<T extends string>({
  label,
  value,
  choices,
  onChoose,
}: {
  readonly label: string
  readonly value: T
  readonly choices: readonly (readonly [value: T, name: string])[]
  readonly onChoose: (value: T) => void
}) {
  return (
    <div role="radiogroup" aria-label={label} className="flex flex-wrap gap-1">
      {choices.map(([id, name]) => (
        <button
          key={id}
          type="button"
          role="radio"
          aria-checked={value === id}
          onClick={() => onChoose(id)}
          className={`cursor-pointer rounded-full border px-2 py-px text-[12px] ${value === id ? 'border-ink bg-ink text-card' : 'border-line hover:border-pencil'}`}
        >
          {name}
        </button>
      ))}
    </div>
  )
}
