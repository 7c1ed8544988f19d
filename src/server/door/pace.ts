const MINUTE_MS = 60_000

/** Counts what each asks for, and says when it is too much for one minute, whichever minute that is. */
export class Pace {
  private readonly times = new Map<string, number[]>()

  constructor(
    private readonly most: number,
    private readonly now: () => number = Date.now,
  ) {}

  /** Counts one more of somebody; false where that is too many. */
  goesOn(who: string): boolean {
    const now = this.now()
    const within = (this.times.get(who) ?? []).filter((t) => now - t < MINUTE_MS)
    if (within.length >= this.most) {
      this.times.set(who, within)
      return false
    }
    within.push(now)
    this.times.set(who, within)
    this.forget(now)
    return true
  }

  /** Whoever has long asked for nothing need not be remembered. */
  private forget(now: number): void {
    if (this.times.size < 1000) return
    for (const [who, times] of this.times) if (now - (times.at(-1) ?? 0) >= MINUTE_MS) this.times.delete(who)
  }
}
