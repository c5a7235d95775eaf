import { resourceKinds, type Resource, type ResourceKind } from '../evening/world'

/** The things that can run out, in the order of the table, and where each of them stands. */
export class ResourceList {
  readonly list: readonly Resource[]
  private readonly places = new Map<string, number>()

  constructor(resources: readonly Resource[]) {
    const rank = (kind: ResourceKind) => resourceKinds.indexOf(kind)
    this.list = [...resources].sort((a, b) => rank(a.kind) - rank(b.kind) || a.at - b.at)
    this.list.forEach(({ kind, at }, place) => this.places.set(`${kind} ${at}`, place))
  }
  /** Place in the list; null where there is none. */
  placeOf(kind: ResourceKind, at = 0): number | null {
    return this.places.get(`${kind} ${at}`) ?? null
  }
}

/** What one session takes at speed 1, gathered resource by resource. */
export class Takes {
  private readonly byPlace = new Map<number, number>()

  constructor(private readonly resources: ResourceList) {}

  add(kind: ResourceKind, at: number, need: number): this {
    const place = this.resources.placeOf(kind, at)
    if (place !== null && need > 0) this.byPlace.set(place, (this.byPlace.get(place) ?? 0) + need)
    return this
  }
  lists(): { readonly uses: readonly number[]; readonly needs: readonly number[] } {
    const all = [...this.byPlace].sort(([a], [b]) => a - b)
    return { uses: all.map(([place]) => place), needs: all.map(([, need]) => need) }
  }
}
