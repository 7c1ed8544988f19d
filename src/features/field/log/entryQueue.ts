import type { Entry } from '@/core/trial'
import type { RefusedEntry } from '@/core/trial/readLog'
import type { EntryStore } from './deviceStore'
import { arrivedUpTo, pagesAfter, type ArrivedPage } from './arrival'
import { KnownIds } from './knownIds'

/** What the server answers to a batch. */
export interface SendAnswer {
  /** Ids of the batch that it holds now, and those that it does not take. */
  held: string[]
  refused?: RefusedEntry[]
  /** How many entries of the run it has in all, and the digest of their ids. */
  total: number
  digest?: string
}

/** The way to the server. */
export interface Wire {
  /** @param waiting how many more are on this device alone; the desk shows it */
  send(runId: string, entries: readonly Entry[], waiting?: number): Promise<SendAnswer>
  /** Entries that came to the server after others, a page of them. */
  fetchAfter(runId: string, after: number): Promise<ArrivedPage>
  /** Their ids alone. */
  fetchIds(runId: string): Promise<string[]>
}

/** The server will not take these however often it is asked: it is older than the device, or the run is gone. */
export class ServerRefused extends Error {}

export interface QueueState {
  /** Entries that are only on this device, those among them that the server does not take, and why. */
  waiting: number
  aside: RefusedEntry[]
  /** Why the last try to send failed; null when it did not. */
  trouble: string | null
  /** It will not help to try again; the way out is a file. */
  refused: boolean
}

const FIRST_RETRY_MS = 1_000
const MAX_RETRY_MS = 30_000
const BATCH = 200
const BREATH_MS = 300

/**
 * The log's way off this device. An entry is stored before anything is shown; sending follows in batches,
 * with back-off, and again when the network returns. An entry counts as waiting until the server says that it
 * holds it. What others have logged of the run meanwhile comes back.
 */
export class EntryQueue {
  private state: QueueState = { waiting: 0, aside: [], trouble: null, refused: false }
  private running: Promise<void> | null = null
  private again = false
  private retryMs = FIRST_RETRY_MS
  private timer: ReturnType<typeof setTimeout> | null = null
  private soon: ReturnType<typeof setTimeout> | null = null
  private closed = false
  private known = new KnownIds()

  constructor(
    private readonly runId: string,
    private readonly store: EntryStore,
    private readonly wire: Wire,
    private readonly onChange: (state: QueueState) => void,
    private readonly onOthers: (entries: Entry[]) => void = () => undefined,
  ) {}

  /** All of the run that is on this device; starts sending what waits. */
  async open(): Promise<Entry[]> {
    const all = await this.store.all(this.runId)
    this.known = new KnownIds(all)
    // A server that was brought up to date may take now what it did not.
    await this.store.tryAgain(this.runId)
    this.tell({ waiting: await this.store.countWaiting(this.runId) })
    void this.flush()
    return all
  }

  /** Stores what one tap made. Resolves once it is safe on this device. */
  async add(...entries: Entry[]): Promise<void> {
    // Known before it is stored: an exchange under way may send it at once, and must not take it for another's.
    this.known.add(entries)
    try {
      await this.store.put(entries)
    } catch (e) {
      this.known.remove(entries)
      throw e
    }
    this.tell({ waiting: this.state.waiting + entries.length })
    // A breath later, so that sending does not stand in the way of the next tap.
    this.soon ??= setTimeout(() => {
      this.soon = null
      void this.flush()
    }, BREATH_MS)
  }

  /**
   * Sends what waits, at once, and fetches what is new; one at a time, and once more where it was asked for meanwhile.
   */
  flush(): Promise<void> {
    if (this.closed) return Promise.resolve()
    if (this.running) {
      this.again = true
      return this.running
    }
    this.running = this.exchange().finally(() => {
      this.running = null
      if (this.again && !this.closed && this.state.trouble === null) {
        this.again = false
        void this.flush()
      }
    })
    return this.running
  }

  private async exchange(): Promise<void> {
    if (this.timer) clearTimeout(this.timer)
    this.again = false
    try {
      // Once is enough: what is found missing is sent, and the digest asked for again.
      let compared = false
      for (;;) {
        const batch = await this.store.waiting(this.runId, BATCH)
        // The screen was left, or another run opened: what waits is sent when this run is opened again.
        if (this.closed) return
        const answer = await this.wire.send(this.runId, batch, Math.max(0, this.state.waiting - batch.length))
        await this.taken(batch, answer)
        const left = await this.store.countWaiting(this.runId)
        const aside = await this.store.aside(this.runId)
        this.tell({ waiting: left + aside.length, aside, trouble: null, refused: false })
        if (left > 0) continue
        if (compared || this.known.areThose(answer, aside)) break
        compared = true
        // Mostly it is what others logged since; only where that does not explain it are ids put side by side.
        const there = await this.takeOthers(arrivedUpTo(this.runId))
        if (there && this.known.areThose(there, aside)) break
        if (!(await this.compare(aside))) break
      }
      this.retryMs = FIRST_RETRY_MS
    } catch (e) {
      const refused = e instanceof ServerRefused
      this.tell({ trouble: e instanceof Error ? e.message : String(e), refused })
      if (!this.closed && !refused) this.timer = setTimeout(() => void this.flush(), this.retryMs)
      this.retryMs = Math.min(MAX_RETRY_MS, this.retryMs * 2)
    }
  }

  /** Marks what came of a batch. */
  private async taken(batch: readonly Entry[], { held, refused = [] }: SendAnswer): Promise<void> {
    const mine = new Set(batch.map((e) => e.id))
    const taken = held.filter((id) => mine.has(id))
    const bad = refused.filter((r) => mine.has(r.id))
    if (batch.length > 0 && taken.length + bad.length === 0)
      throw new Error('The server took none of the entries')
    if (taken.length > 0) await this.store.markSent(taken)
    if (bad.length > 0) await this.store.setAside(bad)
  }

  /**
   * Finds what one of the two lacks: what the server lost waits again, what others logged comes here.
   * @returns whether anything is to be sent again
   */
  private async compare(aside: readonly RefusedEntry[]): Promise<boolean> {
    const there = new Set(await this.wire.fetchIds(this.runId))
    const bad = new Set(aside.map((r) => r.id))
    const lost = [...this.known].filter((id) => !there.has(id) && !bad.has(id))
    if (lost.length > 0) {
      await this.store.markLost(this.runId, lost)
      this.tell({ waiting: lost.length + aside.length })
    }
    if ([...there].some((id) => !this.known.has(id))) await this.takeOthers(0)
    return lost.length > 0
  }

  /** Sends what the server did not take once more. */
  async tryAgain(): Promise<void> {
    await this.store.tryAgain(this.runId)
    await this.flush()
  }

  /** Fetches what came to the server after others, and keeps what is not here yet. @returns what the server holds */
  private async takeOthers(after: number): Promise<ArrivedPage | null> {
    let last: ArrivedPage | null = null
    for await (const page of pagesAfter(this.wire, this.runId, after)) {
      last = page
      const fresh = page.entries.filter((e) => !this.known.has(e.id))
      if (fresh.length === 0) continue
      await this.store.addHeld(fresh)
      this.known.add(fresh)
      if (!this.closed) this.onOthers(fresh)
    }
    return last
  }

  close(): void {
    this.closed = true
    if (this.soon) clearTimeout(this.soon)
    if (this.timer) clearTimeout(this.timer)
  }

  private tell(change: Partial<QueueState>): void {
    this.state = { ...this.state, ...change }
    if (!this.closed) this.onChange(this.state)
  }
}
