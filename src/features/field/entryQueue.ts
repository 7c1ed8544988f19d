import type { Entry } from '@/core/trial'

/** Where entries are kept on this device until the server holds them. */
export interface EntryStore {
  put(entry: Entry): Promise<void>
  waiting(runId: string): Promise<Entry[]>
  remove(ids: readonly string[]): Promise<void>
}

/** Posts entries and answers with the ids that the server now holds. */
export type Send = (runId: string, entries: readonly Entry[]) => Promise<string[]>

export interface QueueState {
  /** Entries that are only on this device. */
  waiting: number
  /** Why the last try to send failed; null when it did not. */
  trouble: string | null
}

const FIRST_RETRY_MS = 1_000
const LONGEST_RETRY_MS = 30_000

/**
 * The log's way off this device. An entry is stored before anything is shown; sending follows, with back-off, and again
 * when the network returns. Nothing is taken out of the store before the server says that it holds it.
 */
export class EntryQueue {
  private state: QueueState = { waiting: 0, trouble: null }
  private sending = false
  private retryMs = FIRST_RETRY_MS
  private timer: ReturnType<typeof setTimeout> | null = null
  private closed = false

  constructor(
    private readonly runId: string,
    private readonly store: EntryStore,
    private readonly send: Send,
    private readonly onChange: (state: QueueState) => void,
  ) {}

  /** Entries of this run that an earlier visit left here; starts sending them. */
  async open(): Promise<Entry[]> {
    const left = await this.store.waiting(this.runId)
    this.tell({ waiting: left.length })
    void this.flush()
    return left
  }

  /** Stores an entry. Resolves once it is safe on this device. */
  async add(entry: Entry): Promise<void> {
    await this.store.put(entry)
    this.tell({ waiting: this.state.waiting + 1 })
    void this.flush()
  }

  /** Sends what waits, at once. */
  async flush(): Promise<void> {
    if (this.sending || this.closed) return
    this.sending = true
    if (this.timer) clearTimeout(this.timer)
    try {
      for (;;) {
        const batch = (await this.store.waiting(this.runId)).slice(0, 200)
        if (batch.length === 0) break
        const held = await this.send(this.runId, batch)
        if (held.length === 0) throw new Error('The server took none of the entries')
        await this.store.remove(held)
        this.tell({ waiting: (await this.store.waiting(this.runId)).length, trouble: null })
      }
      this.retryMs = FIRST_RETRY_MS
    } catch (e) {
      this.tell({ trouble: e instanceof Error ? e.message : String(e) })
      if (!this.closed) this.timer = setTimeout(() => void this.flush(), this.retryMs)
      this.retryMs = Math.min(LONGEST_RETRY_MS, this.retryMs * 2)
    } finally {
      this.sending = false
    }
  }

  close(): void {
    this.closed = true
    if (this.timer) clearTimeout(this.timer)
  }

  private tell(change: Partial<QueueState>): void {
    this.state = { ...this.state, ...change }
    if (!this.closed) this.onChange(this.state)
  }
}
