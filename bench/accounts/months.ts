/** The last so many months up to a day, `YYYY-MM`, the oldest first. */
export function monthsUpTo(today: string, count: number): string[] {
  const [year = 0, month = 0] = today.split('-').map(Number)
  return Array.from({ length: count }, (_, k) => {
    const index = year * 12 + (month - 1) - (count - 1 - k)
    return `${Math.floor(index / 12)}-${String((index % 12) + 1).padStart(2, '0')}`
  })
}

export const monthName = (month: string): string =>
  new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${month}-01T00:00:00Z`),
  )
