import type { Post } from '@/data/runs'

interface Waiting {
  post: Post
  done: (fresh: string[]) => void
  fail: (why: unknown) => void
}

/**
 * Posts of entries that came while the server was at something else are written in one transaction, so that the disk is
 * waited for once for all of them. Each is answered only once it is written.
 */
export class WaitingPosts {
  private waiting: Waiting[] = []

  /** @param write all in one transaction, and returns of each what was new; where it fails nothing is written */
  constructor(private readonly write: (posts: Post[]) => string[][]) {}

  /** @returns the ids that are new */
  append(post: Post): Promise<string[]> {
    return new Promise((done, fail) => {
      if (this.waiting.length === 0) setImmediate(() => this.flush())
      this.waiting.push({ post, done, fail })
    })
  }

  private flush(): void {
    const all = this.waiting
    this.waiting = []
    try {
      const fresh = this.write(all.map((w) => w.post))
      all.forEach((w, i) => w.done(fresh[i]!))
    } catch (e) {
      if (all.length === 1) return all[0]!.fail(e)
      // One that cannot be written holds up no other.
      for (const w of all) this.alone(w)
    }
  }

  private alone({ post, done, fail }: Waiting): void {
    try {
      done(this.write([post])[0]!)
    } catch (e) {
      fail(e)
    }
  }
}
