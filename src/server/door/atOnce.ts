import type { ServerResponse } from 'node:http'

/** Counts what each sends side by side, and says when it is too much. */
export class AtOnce {
  private readonly now = new Map<string, number>()

  constructor(private readonly most: number) {}

  /** Counts one more of somebody until its answer is out, or its line broke; false where that is too many. */
  begins(who: string, response: Pick<ServerResponse, 'once'>): boolean {
    const busy = this.now.get(who) ?? 0
    if (busy >= this.most) return false
    this.now.set(who, busy + 1)
    response.once('close', () => {
      const left = (this.now.get(who) ?? 1) - 1
      if (left > 0) this.now.set(who, left)
      else this.now.delete(who)
    })
    return true
  }
}
