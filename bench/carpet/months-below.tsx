import { monthNames, monthStarts } from '@/words/format'

/** Months under a carpet, each third where it is narrow. */
export function MonthsBelow({ language }: { readonly language: string }) {
  return (
    <div className="absolute right-0 bottom-0 left-7 @container h-[17px] text-[12px] text-pencil" aria-hidden>
      {monthNames(language).map((month, m) => (
        <span
          key={month}
          className={`absolute ${m % 3 ? 'hidden @sm:block' : ''}`}
          style={{ left: `${((monthStarts[m] ?? 0) / 365) * 100}%` }}
        >
          {month}
        </span>
      ))}
    </div>
  )
}
