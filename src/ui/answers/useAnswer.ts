'use client'

import { startTransition, useEffect, useState } from 'react'

/** What has come of a question: being worked out, there, or failed with why in a clause. */
export type Answer<T> =
  { at: 'asking'; value: T | null } | { at: 'there'; value: T } | { at: 'failed'; why: string; value: null }

const same = (a: readonly unknown[], b: readonly unknown[]) =>
  a.length === b.length && a.every((v, i) => Object.is(v, b[i]))

/** Why something failed, as the clause that stands after a colon. */
export const whyOf = (e: unknown) => (e instanceof Error && e.message ? e.message : 'there was no answer')

/**
 * What a worker or the server works out for a key. One rule for what is stale: an answer counts while its key
 * is the one that is asked for; one that comes late is dropped, and a failure is told, never waited out.
 *
 * @param key what the question is about, compared value by value; null asks nothing
 * @param ask asks with the key's own values; its signal is aborted when the answer is not wanted any more
 * @param standsFor what an earlier answer may still stand for meanwhile; the key itself if left out
 */
export function useAnswer<const K extends readonly unknown[], T>(
  key: K | null,
  ask: (key: K, signal: AbortSignal) => Promise<T>,
  standsFor: readonly unknown[] | null = key,
): Answer<T> {
  const [held, setHeld] = useState<{
    key: readonly unknown[]
    standsFor: readonly unknown[]
    answer: Answer<T>
  } | null>(null)
  const [asked, setAsked] = useState(key)
  // The array is made anew at each turn; the question is the same while what it holds is.
  const current = key !== null && asked !== null && same(key, asked) ? asked : key
  if (current !== asked) setAsked(current)
  useEffect(() => {
    if (current === null) return
    const stop = new AbortController()
    const tell = (answer: Answer<T>) => {
      if (stop.signal.aborted) return
      // What it changes may be a whole map; what a hand does meanwhile goes first.
      startTransition(() => setHeld({ key: current, standsFor: standsFor ?? current, answer }))
    }
    ask(current, stop.signal).then(
      (value) => tell({ at: 'there', value }),
      (e: unknown) => tell({ at: 'failed', why: whyOf(e), value: null }),
    )
    return () => stop.abort()
    // What is asked is told apart by the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [current])
  if (current === null || held === null) return { at: 'asking', value: null }
  if (held.key === current) return held.answer
  const stands = standsFor !== null && same(held.standsFor, standsFor)
  return { at: 'asking', value: stands ? held.answer.value : null }
}
