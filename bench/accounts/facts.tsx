import Link from 'next/link'

/** Numbers with their names, side by side. */
export function Facts({
  facts,
}: {
  readonly facts: readonly { readonly name: string; readonly value: string; readonly href?: string }[]
}) {
  return (
    <dl className="grid grid-cols-2 gap-3 sm:grid-cols-3">
      {facts.map(({ name, value, href }) => (
        <div key={name} className="rounded-lg border border-line bg-card px-3 py-2">
          <dt className="quiet">
            {href === undefined ? (
              name
            ) : (
              <Link href={href} prefetch={false} className="underline">
                {name}
              </Link>
            )}
          </dt>
          <dd className="text-[18px]">{value}</dd>
        </div>
      ))}
    </dl>
  )
}
