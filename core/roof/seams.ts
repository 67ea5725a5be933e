import { type RoofNode } from './front'

/** One side of a seam: the border of a face, walked with the face on the left. */
export interface HalfEdge {
  readonly face: number
  readonly from: number
  readonly to: number
  /** The face beyond; `outside` at an eave. */
  readonly beyond: number
  /** The side of the outline, at an eave. */
  readonly side?: number
}

export const outside = -1

/** Nodes and borders of faces as the front leaves them. */
export class Seams {
  readonly nodes: RoofNode[] = []
  readonly halves: HalfEdge[] = []

  node(x: number, y: number, z: number): number {
    this.nodes.push([x, y, z])
    return this.nodes.length - 1
  }

  /** A seam from node to node with one face at its left and another at its right. */
  between(left: number, right: number, from: number, to: number): void {
    if (from === to) return
    this.halves.push(
      { face: left, from, to, beyond: right },
      { face: right, from: to, to: from, beyond: left },
    )
  }

  eave(face: number, side: number, from: number, to: number): void {
    this.halves.push({ face, from, to, beyond: outside, side })
  }
}
