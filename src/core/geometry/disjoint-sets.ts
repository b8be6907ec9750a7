/** Union-find over numbers from 0. */
export class DisjointSets {
  readonly #parent: Int32Array;

  constructor(count: number) {
    this.#parent = Int32Array.from({ length: count }, (_, i) => i);
  }

  rootOf(i: number): number {
    const parent = this.#parent;
    let at = i;
    while (parent[at] !== at) {
      // every other one on the way is hung higher
      parent[at] = parent[parent[at] as number] as number;
      at = parent[at] as number;
    }
    return at;
  }

  join(a: number, b: number): void {
    this.#parent[this.rootOf(a)] = this.rootOf(b);
  }
}
