import { type Vec2 } from '@/core/geometry/vector'

type Near = (at: Vec2, reachM: number) => readonly (readonly [Vec2, Vec2])[]

/** The lines of drawings under the model, for tools to hold on to; whoever shows the drawings says which there are. */
export class UnderLines {
  #near: Near = () => []

  set(near: Near): void {
    this.#near = near
  }

  near(at: Vec2, reachM: number): readonly (readonly [Vec2, Vec2])[] {
    return this.#near(at, reachM)
  }
}
