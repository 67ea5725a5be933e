'use client'

import { useRef } from 'react'

/** A button that asks for files; the same one may be chosen twice. */
export function FileButton({
  label,
  shown = label,
  accept,
  className,
  hint,
  multiple = false,
  disabled = false,
  onTake,
}: {
  readonly label: string
  /** What stands on it, where that is not its name. */
  readonly shown?: string
  readonly accept: string
  readonly className: string
  readonly hint?: string
  readonly multiple?: boolean
  readonly disabled?: boolean
  /** At least one. */
  readonly onTake: (files: readonly File[]) => void
}) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <button
        type="button"
        className={className}
        title={hint}
        disabled={disabled}
        onClick={() => input.current?.click()}
      >
        {shown}
      </button>
      <input
        ref={input}
        type="file"
        multiple={multiple}
        accept={accept}
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])]
          event.target.value = ''
          if (files.length > 0) onTake(files)
        }}
      />
    </>
  )
}

/** Of one that stands below a list, as a line of text. */
export const lineButton = 'cursor-pointer text-[12px] text-verdigris hover:underline'
