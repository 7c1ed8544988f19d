/** Of each result the newest few, by what it was made of; one that failed is made anew when it is asked for again. */
export class Kept<T> {
  private readonly by = new Map<string, T>()
  constructor(private readonly most: number) {}

  get(key: string, make: () => T): T {
    const old = this.by.get(key)
    if (old !== undefined) {
      // What was asked last is let go last.
      this.by.delete(key)
      this.by.set(key, old)
      return old
    }
    const made = make()
    this.by.set(key, made)
    if (made instanceof Promise) made.catch(() => this.by.delete(key))
    if (this.by.size > this.most) this.by.delete(this.by.keys().next().value!)
    return made
  }

  clear(): void {
    this.by.clear()
  }
}
