'use client'

import { lazy, Suspense, useDeferredValue, useEffect, useMemo, useState, type ComponentType } from 'react'

const onTheirWay: Promise<unknown>[] = []

/** When all such parts of the page are there, or are known not to come. */
export const partsThere = () => Promise.all(onTheirWay)

function Answers({ onAnswers }: { onAnswers: (answers: true) => void }) {
  useEffect(() => onAnswers(true), [onAnswers])
  return null
}

/**
 * Part of a page that the server draws and whose scripts come right after the page's own, so that the rest answers
 * first. Until it answers, what it is given is deferred: a change at once would take away what the server drew. What is
 * clicked on it meanwhile is kept, as on all of the page.
 * @param load fetches it; a second call costs nothing
 * @returns the part, with the height that is held for it until it is drawn
 */
export function soon<P extends object>(
  load: () => Promise<ComponentType<P>>,
): ComponentType<P & { roomPx?: number }> {
  if (typeof window !== 'undefined') onTheirWay.push(load().catch(() => undefined))
  const Part = lazy(() => load().then((part) => ({ default: part })))
  return function Soon({ roomPx, ...given }) {
    const [answers, setAnswers] = useState(false)
    const now = given as unknown as P
    const waiting = useDeferredValue(now)
    const shown = answers ? now : waiting
    // The same element while nothing of it changed, or it would be drawn anew all the same.
    return useMemo(
      () => (
        <Suspense fallback={roomPx !== undefined && <div style={{ height: roomPx }} />}>
          <Part {...shown} />
          <Answers onAnswers={setAnswers} />
        </Suspense>
      ),
      [shown, roomPx],
    )
  }
}
