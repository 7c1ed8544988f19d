/** What of a request tells whether it comes from our own pages. */
export interface Knock {
  method: string
  /** As the browser sent it: name, or name and port. */
  host: string | null
  origin: string | null
  /** What the browser says of whoever asks; absent from other programs. */
  fetchSite: string | null
  /** It was handed on by another server. */
  forwarded: boolean
}

/** Where a request came in, and by what names that is known. */
export interface Door {
  /** The machine's own screen; other devices over the room's network; another server that stands before this one. */
  kind: 'desk' | 'crew' | 'front'
  /** Names without ports; those of a front with the port where its address has one. */
  names: readonly string[]
}

/** Names of this machine to itself. */
export const LOOPBACK: readonly string[] = ['127.0.0.1', 'localhost', '[::1]']
/** These change nothing. */
const READING = ['GET', 'HEAD', 'OPTIONS']

const withoutPort = (host: string) => host.toLowerCase().replace(/:\d+$/, '')

const hostOf = (origin: string): string | null => {
  try {
    return new URL(origin).host
  } catch {
    return null
  }
}

/**
 * Why a request is not let in; null where it is. A name that is not ours means that another page had its own name
 * point here; a change that does not come from our own pages was asked for by somebody else's.
 */
export function refusal(
  { method, host, origin, fetchSite, forwarded }: Knock,
  { kind, names }: Door,
): string | null {
  const known = host !== null && names.includes(kind === 'front' ? host.toLowerCase() : withoutPort(host))
  if (!known)
    return 'This server is not known by that name. Open it by the address that it printed when it started.'
  if (kind === 'desk' && forwarded)
    return 'This door is for the machine’s own screen. Have the server in front of it pass on to the door that was printed for it.'
  if (READING.includes(method)) return null
  const isOwnPage = origin === null ? fetchSite === 'same-origin' : hostOf(origin) === host.toLowerCase()
  return isOwnPage ? null : 'Only the pages of this application may change anything here.'
}
