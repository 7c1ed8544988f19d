import type { Entry } from '@/core/trial'
import type { EntryStore } from './deviceStore'

/** What the server answers to a batch: the ids that it holds now, and how many entries of the run it has in all. */
export interface SendAnswer {
  held: string[]
  total: number
}

/** The way to the server. */
export interface Wire {
  send(runId: string, entries: readonly Entry[]): Promise<SendAnswer>
  /** All entries that the server holds of a run. */
  fetchAll(runId: string): Promise<Entry[]>
}

/** The server will not take these however often it is asked: it is older than the device, or the run is gone. */
export class ServerRefused extends Error {}

export interface QueueState {
  /** Entries that are only on this device. */
  waiting: number
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
  private state: QueueState = { waiting: 0, trouble: null, refused: false }
  private running: Promise<void> | null = null
  private again = false
  private retryMs = FIRST_RETRY_MS
  private timer: ReturnType<typeof setTimeout> | null = null
  private soon: ReturnType<typeof setTimeout> | null = null
  private closed = false
  private known = new Set<string>()

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
    this.known = new Set(all.map((e) => e.id))
    this.tell({ waiting: await this.store.countWaiting(this.runId) })
    void this.flush()
    return all
  }

  /** Stores what one tap made. Resolves once it is safe on this device. */
  async add(...entries: Entry[]): Promise<void> {
    await this.store.put(entries)
    for (const e of entries) this.known.add(e.id)
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
      for (;;) {
        const batch = await this.store.waiting(this.runId, BATCH)
        const { held, total } = await this.wire.send(this.runId, batch)
        const mine = new Set(batch.map((e) => e.id))
        const taken = held.filter((id) => mine.has(id))
        if (batch.length > 0 && taken.length === 0) throw new Error('The server took none of the entries')
        if (taken.length > 0) await this.store.markSent(taken)
        const waiting = await this.store.countWaiting(this.runId)
        this.tell({ waiting, trouble: null, refused: false })
        if (waiting > 0) continue
        if (total > this.known.size) await this.takeOthers()
        break
      }
      this.retryMs = FIRST_RETRY_MS
    } catch (e) {
      const refused = e instanceof ServerRefused
      this.tell({ trouble: e instanceof Error ? e.message : String(e), refused })
      if (!this.closed && !refused) this.timer = setTimeout(() => void this.flush(), this.retryMs)
      this.retryMs = Math.min(MAX_RETRY_MS, this.retryMs * 2)
    }
  }

  private async takeOthers(): Promise<void> {
    const all = await this.wire.fetchAll(this.runId)
    const fresh = all.filter((e) => !this.known.has(e.id))
    if (fresh.length === 0) return
    await this.store.addHeld(fresh)
    for (const e of fresh) this.known.add(e.id)
    if (!this.closed) this.onOthers(fresh)
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
