const learned: Record<string, string> = {}

/** Sentences for faults that arise only in what is fetched later, and that come with it. */
export function learnFaults(sentences: Readonly<Record<string, string>>): void {
  Object.assign(learned, sentences)
}

export const learnedFaults: Readonly<Record<string, string>> = learned
