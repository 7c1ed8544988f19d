import { existsSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { MessageChannel, receiveMessageOnPort, Worker, type MessagePort } from 'node:worker_threads'
import { ALONE, NOBODY, type FieldOf, type Helper, type Laid, type Task } from '@/core/model/byTwo'
import { BEGUN, DONE, TAKEN_BACK, WAITS, type Answered, type Told } from './wire'

interface Job {
  id: number
  state: Int32Array
  here: () => unknown
  made: { of: unknown } | null
}

/** Room for what lives shortly, MB: thousands of checks read, compared and counted are let go of at once. */
export const YOUNG_MB = 96
/** A thread that has worked at one thing for so long is taken for broken, ms. */
const PATIENCE_MS = 30_000

/**
 * A helper in a thread beside this one. Whoever waits for its work does not sleep while there is other work that was
 * asked for and that nobody has begun.
 */
export class ThreadHelper implements Helper {
  private readonly jobs = new Map<number, Job>()
  private last = 0
  private ended = false

  private constructor(
    private readonly port: MessagePort,
    private readonly patienceMs: number,
  ) {}

  /** @param file that serves a helper over the port that it is given */
  static start(file: string, patienceMs = PATIENCE_MS) {
    const { port1, port2 } = new MessageChannel()
    const resourceLimits = { maxYoungGenerationSizeMb: YOUNG_MB }
    const thread = new Worker(file, { workerData: port2, transferList: [port2], resourceLimits })
    const helper = new ThreadHelper(port1, patienceMs)
    const end = () => (helper.ended = true)
    thread.on('error', end)
    thread.on('exit', end)
    // It must keep nobody from ending.
    thread.unref()
    return helper
  }

  lay(of: FieldOf): Laid {
    if (this.ended) return NOBODY
    const laid = ++this.last
    this.tell({ kind: 'lay', laid, of })
    return {
      begin: (task, ask, here) => this.begin(laid, task, ask, here),
      clear: () => this.tell({ kind: 'clear', laid }),
    }
  }

  private tell(told: Told): void {
    this.port.postMessage(told)
  }

  private begin<Ask, Made>(
    laid: number,
    task: Task<Ask, Made>,
    ask: () => Ask,
    here: () => Made,
  ): () => Made {
    if (this.ended) return here
    const state = new Int32Array(new SharedArrayBuffer(4))
    const job: Job = { id: ++this.last, state, here, made: null }
    this.tell({ kind: 'work', id: job.id, laid, task: task.name, ask: ask(), state })
    this.jobs.set(job.id, job)
    return () => this.take(job) as Made
  }

  private take(job: Job): unknown {
    if (!job.made && !this.takeBack(job)) this.waitFor(job)
    this.jobs.delete(job.id)
    return job.made!.of
  }

  /** Does a piece of work here if nobody has begun it. */
  private takeBack(job: Job): boolean {
    if (Atomics.compareExchange(job.state, 0, WAITS, TAKEN_BACK) !== WAITS) return false
    job.made = { of: job.here() }
    return true
  }

  private waitFor(job: Job): void {
    while (Atomics.load(job.state, 0) === BEGUN) {
      const other = [...this.jobs.values()].reverse().some((j) => j !== job && this.takeBack(j))
      if (!other && Atomics.wait(job.state, 0, BEGUN, this.patienceMs) === 'timed-out') this.ended = true
      if (this.ended) break
    }
    if (Atomics.load(job.state, 0) === DONE) this.receive()
    job.made ??= { of: job.here() }
  }

  private receive(): void {
    for (let got = receiveMessageOnPort(this.port); got; got = receiveMessageOnPort(this.port)) {
      const { id, made } = got.message as Answered
      const job = this.jobs.get(id)
      if (job) job.made ??= { of: made }
    }
  }
}

/** Made by scripts/bundle.mjs, beside what asks it. */
const THREAD = 'helperThread.cjs'

/** The helper that lies in a folder, where there is a second processor for it; nobody otherwise. */
export function helperIn(folder: string): Helper {
  const file = join(folder, THREAD)
  return availableParallelism() > 1 && existsSync(file) ? ThreadHelper.start(file) : ALONE
}
