/** What of a request tells whether it comes from our own pages. */
export interface Knock {
  method: string
  /** As the browser sent it: name, or name and port. */
  host: string | null
  origin: string | null
  /** What the browser says of whoever asks; absent from other programs. */
  fetchSite: string | null
}

/** Names of this machine to itself. */
const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]']
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
 * @param ownOrigin where the application is reached from outside, such as "https://radio.example.org"; null for none
 */
export function refusal({ method, host, origin, fetchSite }: Knock, ownOrigin: string | null): string | null {
  const own = ownOrigin === null ? null : hostOf(ownOrigin)
  const isOurs = host !== null && (LOOPBACK.includes(withoutPort(host)) || host.toLowerCase() === own)
  if (!isOurs)
    return 'This server is not known by that name. Open it by the address that it printed when it started.'
  if (READING.includes(method)) return null
  const from = origin === null ? null : hostOf(origin)
  const isOwnPage =
    origin === null ? fetchSite === 'same-origin' : from === host || (own !== null && from === own)
  return isOwnPage ? null : 'Only the pages of this application may change anything here.'
}
