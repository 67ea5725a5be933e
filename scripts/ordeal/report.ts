/** What an ordeal found: figures as they were measured, and what should not have been. */
export class Report {
  readonly #name: string
  readonly #broken: string[] = []

  constructor(name: string) {
    this.#name = name
    console.log(`\n── ${name}`)
  }

  say(text: string): void {
    console.log(`  ${text}`)
  }

  /** Something that has to hold. */
  holds(what: string, holds: boolean): void {
    console.log(`  ${holds ? 'holds ' : 'BROKEN'} ${what}`)
    if (!holds) this.#broken.push(`${this.#name}: ${what}`)
  }

  /** Something that has to hold where nothing else is going on, and is only told elsewhere. */
  measured(isTimed: boolean, what: string, holds: boolean): void {
    if (isTimed) this.holds(what, holds)
    else console.log(`  ${holds ? 'so it is' : 'not here'} ${what}`)
  }

  get broken(): readonly string[] {
    return this.#broken
  }
}

/** The value below which a share of all lie. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN
}

export const rounded = (value: number) => Math.round(value)
