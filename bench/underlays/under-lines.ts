import { type RoofDraft } from '@/core/fit/roof-on'
import { type Vec2 } from '@/core/geometry/vector'

/** A roof as something under the model tells it, and how that is said. */
export interface ToldRoof {
  readonly roof: RoofDraft
  readonly said: string
}

/** Something under the model that a drawing can go by. */
export interface Guide {
  /** Its lines that come near a point. */
  readonly near: (at: Vec2, reachM: number) => readonly (readonly [Vec2, Vec2])[]
  /** The roof over an outline, where it knows of one. */
  readonly roofOver?: (outline: readonly Vec2[]) => ToldRoof | null
}

/** What lies under the model for tools to go by: lines of drawings, lines of heights. Whoever shows it says what there is. */
export class UnderLines {
  readonly #guides = new Map<string, Guide>()

  set(of: 'drawings' | 'heights', guide: Guide | null): void {
    if (guide) this.#guides.set(of, guide)
    else this.#guides.delete(of)
  }

  near(at: Vec2, reachM: number): readonly (readonly [Vec2, Vec2])[] {
    return [...this.#guides.values()].flatMap((guide) => guide.near(at, reachM))
  }

  roofOver(outline: readonly Vec2[]): ToldRoof | null {
    return this.#guides.get('heights')?.roofOver?.(outline) ?? null
  }
}
