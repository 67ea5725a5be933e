/** What can be done with a job of the list. */
export function JobActions({
  name,
  id,
  isDeleted,
  isOpen,
  onDetails,
  onCopy,
  onDelete,
  onBack,
}: {
  readonly name: string
  readonly id: string
  readonly isDeleted: boolean
  /** Whether its details are. */
  readonly isOpen: boolean
  readonly onDetails: () => void
  readonly onCopy: () => void
  readonly onDelete: () => void
  readonly onBack: () => void
}) {
  if (isDeleted)
    return (
      <button type="button" className="button" aria-label={`Bring back ${name}`} onClick={onBack}>
        Bring back
      </button>
    )
  return (
    <>
      <button
        type="button"
        className="button"
        aria-label={`Details of ${name}`}
        aria-expanded={isOpen}
        onClick={onDetails}
      >
        Details
      </button>
      <a
        className="button"
        href={`/api/jobs/${id}/export`}
        aria-label={`Export ${name}`}
        title="The job as a file"
      >
        Export
      </a>
      <button type="button" className="button" aria-label={`Copy ${name}`} onClick={onCopy}>
        Copy
      </button>
      <button type="button" className="button" aria-label={`Delete ${name}`} onClick={onDelete}>
        Delete
      </button>
    </>
  )
}
