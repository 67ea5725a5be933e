/** Something that can be done with what the chapter tells of, as a word in its line. */
export function Action({ onClick, children }: { readonly onClick: () => void; readonly children: string }) {
  return (
    <button
      type="button"
      className="cursor-pointer text-left text-[12px] text-verdigris hover:underline"
      onClick={onClick}
    >
      {children}
    </button>
  )
}
