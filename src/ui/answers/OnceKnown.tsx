import { Suspense, use, type ReactNode } from 'react'

/** What is known, or what does until it is. */
export type Soon<T> = { known: T } | { meanwhile: T; later: Promise<T> }

type Draw<T> = (known: T) => ReactNode

const Known = <T,>({ later, children }: { later: Promise<T>; children: Draw<T> }) => children(use(later))

/** What is drawn at once of what does until it is known, and again of what is. */
export function OnceKnown<T>({ what, children }: { what: Soon<T>; children: Draw<T> }) {
  return 'known' in what ? (
    children(what.known)
  ) : (
    <Suspense fallback={children(what.meanwhile)}>
      <Known later={what.later}>{children}</Known>
    </Suspense>
  )
}
