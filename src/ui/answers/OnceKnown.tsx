import { Suspense, use, type ReactNode } from 'react'
import type { Soon } from './soon'

type Draw<T> = (known: T | null) => ReactNode

const Known = <T,>({ later, children }: { later: Promise<T>; children: Draw<T> }) => children(use(later))

/** What can be drawn at once, of null, and again with what takes a while to find out. */
export function OnceKnown<T>({ what, children }: { what: Soon<T>; children: Draw<T> }) {
  return 'known' in what ? (
    children(what.known)
  ) : (
    <Suspense fallback={children(null)}>
      <Known later={what.later}>{children}</Known>
    </Suspense>
  )
}
