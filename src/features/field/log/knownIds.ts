import type { Entry } from '@/core/trial'
import { IdSum } from '@/core/trial/idDigest'

/** The ids of a run's entries that are on this device, with their digest kept as they come: it is asked for at every exchange. */
export class KnownIds implements Iterable<string> {
  private readonly ids = new Set<string>()
  private readonly sum = new IdSum()

  constructor(entries: readonly Entry[] = []) {
    this.add(entries)
  }

  add(entries: readonly Entry[]): void {
    for (const { id } of entries) {
      if (this.ids.has(id)) continue
      this.ids.add(id)
      this.sum.add(id)
    }
  }

  remove(entries: readonly Entry[]): void {
    for (const { id } of entries) if (this.ids.delete(id)) this.sum.remove(id)
  }

  has(id: string): boolean {
    return this.ids.has(id)
  }

  [Symbol.iterator](): Iterator<string> {
    return this.ids[Symbol.iterator]()
  }

  /**
   * Whether a server holds just these.
   * @param there how many it holds and, from one that says it, their digest
   * @param aside ids of these that it does not take
   */
  areThose(there: { total: number; digest?: string }, aside: readonly { id: string }[]): boolean {
    for (const { id } of aside) this.sum.remove(id)
    const { count, sum } = this.sum.digest
    for (const { id } of aside) this.sum.add(id)
    return there.total === count && (there.digest === undefined || there.digest === sum)
  }
}
