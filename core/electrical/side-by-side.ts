import { type PanelString } from './stringing'

/** Inverters of one kind beside each other: inputs count on, those of the second after all of the first. */
export interface SideBySide {
  readonly inverters: number
  /** Inputs of each. */
  readonly mppInputs: number
}

/** Which of them an input belongs to, from 0. */
export const inverterOf = (input: number, { inverters, mppInputs }: SideBySide): number =>
  inverters > 1 ? Math.floor(input / mppInputs) : 0

/** An inverter and its own input, each from 1. */
export function inputPlace(
  input: number,
  beside: SideBySide,
): { readonly inverter: number; readonly input: number } {
  const inverter = inverterOf(input, beside)
  return { inverter: inverter + 1, input: input - inverter * beside.mppInputs + 1 }
}

/** An input as it is told, from 1: its number, after the inverter's where there are several. */
export const inputName = (input: number, beside: SideBySide): string => {
  const place = inputPlace(input, beside)
  return beside.inverters > 1 ? `${place.inverter}.${place.input}` : String(place.input)
}

/** Where strings hang that have an input, by their ids: inverter, input and place there, each from 1. */
export function stringPositions(
  strings: readonly Pick<PanelString, 'id' | 'input'>[],
  beside: SideBySide,
): ReadonlyMap<string, string> {
  const hung = new Map<number, number>()
  const names = new Map<string, string>()
  for (const { id, input } of strings) {
    if (input < 0) continue
    const place = (hung.get(input) ?? 0) + 1
    hung.set(input, place)
    const at = inputPlace(input, beside)
    names.set(id, `${at.inverter}.${at.input}.${place}`)
  }
  return names
}

/** Strings that hang on each inverter, those without an input on none. */
export function stringsByInverter<T extends Pick<PanelString, 'input'>>(
  strings: readonly T[],
  beside: SideBySide,
): T[][] {
  const own = Array.from({ length: beside.inverters }, (): T[] => [])
  for (const string of strings) if (string.input >= 0) own[inverterOf(string.input, beside)]?.push(string)
  return own
}

/** Modules that hang on each inverter. */
export const modulesByInverter = (
  strings: readonly Pick<PanelString, 'input' | 'panelIds'>[],
  beside: SideBySide,
): number[] =>
  stringsByInverter(strings, beside).map((own) => own.reduce((sum, { panelIds }) => sum + panelIds.length, 0))

/**
 * Inputs as they are taken one after the other: each time the first that is free of the inverter that has fewest modules.
 * Of one inverter they come in their order.
 */
export class FreeInputs {
  #modules: number[]
  #free: Set<number>
  readonly #beside: SideBySide

  constructor(beside: SideBySide) {
    this.#beside = beside
    this.#modules = Array.from({ length: beside.inverters }, () => 0)
    this.#free = new Set(Array.from({ length: beside.inverters * beside.mppInputs }, (_, input) => input))
  }

  get count(): number {
    return this.#free.size
  }

  /** Modules that hang on all of them, and on the fullest. */
  get modules(): number {
    return this.#modules.reduce((sum, own) => sum + own, 0)
  }
  get fullest(): number {
    return Math.max(...this.#modules)
  }

  copy(): FreeInputs {
    const other = new FreeInputs(this.#beside)
    other.#modules = [...this.#modules]
    other.#free = new Set(this.#free)
    return other
  }

  /** Whether an inverter has this one. */
  has = (input: number): boolean => input < this.#beside.inverters * this.#beside.mppInputs

  /** Hangs modules on an input, free or not. */
  hang(input: number, modules: number): void {
    const inverter = inverterOf(input, this.#beside)
    this.#modules[inverter] = (this.#modules[inverter] ?? 0) + modules
    this.#free.delete(input)
  }

  /** The next one; null when all are taken. */
  next(): number | null {
    let best: number | null = null
    let fewest = Infinity
    for (const input of this.#free) {
      const modules = this.#modules[inverterOf(input, this.#beside)] ?? 0
      if (modules >= fewest) continue
      best = input
      fewest = modules
    }
    return best
  }
}
