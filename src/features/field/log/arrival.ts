import type { Entry } from '@/core/trial'

/** Entries as they came to the server, and what it holds in all. */
export interface ArrivedPage {
  entries: Entry[]
  /** By what the next page is asked for. */
  upTo: number
  more: boolean
  total: number
  digest?: string
}

const keyOf = (runId: string) => `arrived ${runId}`

/**
 * How far the server's entries of a run were fetched to this device, in the order in which they came there. It saves
 * fetching them again, and no more: where it is wrong, what is held is put side by side.
 */
export function arrivedUpTo(runId: string): number {
  try {
    const n = Number(localStorage.getItem(keyOf(runId)) ?? 0)
    return Number.isSafeInteger(n) && n >= 0 ? n : 0
  } catch {
    return 0
  }
}

function keepArrived(runId: string, upTo: number): void {
  try {
    localStorage.setItem(keyOf(runId), String(upTo))
  } catch {
    // They are fetched again then.
  }
}

/**
 * Goes through what came to the server after others, a page at a time. How far it went is kept once the page was dealt
 * with, so that one that could not be stored is fetched again.
 */
export async function* pagesAfter(
  wire: { fetchAfter: (runId: string, after: number) => Promise<ArrivedPage> },
  runId: string,
  after: number,
): AsyncGenerator<ArrivedPage, void> {
  for (let from = after, more = true; more;) {
    const page = await wire.fetchAfter(runId, from)
    yield page
    ;({ upTo: from, more } = page)
    keepArrived(runId, from)
  }
}
