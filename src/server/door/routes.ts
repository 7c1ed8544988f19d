import type { Asker } from '@/core/crew'

/** Who may read what lies at a path, and who may change it. The owner may always. */
interface RouteRule {
  /** Parts in braces stand for one part of the path, ** at the end for any number of them. */
  path: string
  read: readonly Asker[]
  change: readonly Asker[]
}

const NOBODY: readonly Asker[] = []
const DESK: readonly Asker[] = ['desk']
const READERS: readonly Asker[] = ['observer', 'desk']
/** Whoever logs; a field device only the runs that it was given. */
const LOGGERS: readonly Asker[] = ['field', 'desk']
const ALL: readonly Asker[] = ['nobody', 'field', 'observer', 'desk']

/**
 * What each route asks of whoever comes: the first line that fits holds, and what fits none is the owner's alone.
 * A page without data of its own (the field screen, the page that brings a device in) is anybody's, so that it opens
 * on a device that is not known yet, or no more.
 */
const ROUTES: readonly RouteRule[] = [
  { path: '/_next/static/**', read: ALL, change: NOBODY },
  { path: '/icons/{file}', read: ALL, change: NOBODY },
  { path: '/icon.svg', read: ALL, change: NOBODY },
  { path: '/manifest.webmanifest', read: ALL, change: NOBODY },
  { path: '/sw.js', read: ALL, change: NOBODY },
  { path: '/field', read: ALL, change: NOBODY },
  { path: '/pair', read: ALL, change: NOBODY },
  { path: '/api/pair', read: NOBODY, change: ALL },
  { path: '/api/me', read: ALL, change: NOBODY },
  { path: '/api/runs/file', read: NOBODY, change: DESK },
  { path: '/api/runs/{run}/file', read: READERS, change: NOBODY },
  { path: '/api/runs/{run}', read: LOGGERS, change: NOBODY },
  { path: '/api/runs/{run}/entries', read: LOGGERS, change: LOGGERS },
  { path: '/api/runs/{run}/media/{media}', read: ['field', 'observer', 'desk'], change: LOGGERS },
  { path: '/api/crew/**', read: NOBODY, change: NOBODY },
  { path: '/api/backup/**', read: NOBODY, change: NOBODY },
  { path: '/crew', read: NOBODY, change: NOBODY },
  { path: '/keep', read: NOBODY, change: NOBODY },
  { path: '/api/board/**', read: DESK, change: NOBODY },
  { path: '/api/backdrops/**', read: READERS, change: DESK },
  { path: '/api/grids/**', read: READERS, change: DESK },
  { path: '/api/measurements/**', read: READERS, change: NOBODY },
  { path: '/api/papers/**', read: READERS, change: DESK },
  { path: '/api/trials/**', read: READERS, change: DESK },
  { path: '/api/bundle', read: DESK, change: DESK },
  { path: '/api/examples', read: NOBODY, change: DESK },
  { path: '/api/units', read: NOBODY, change: DESK },
  { path: '/api/**', read: NOBODY, change: NOBODY },
  { path: '/', read: READERS, change: DESK },
  { path: '/import', read: DESK, change: DESK },
  { path: '/bench/**', read: READERS, change: DESK },
  { path: '/trials/**', read: READERS, change: DESK },
]

const patterns = ROUTES.map((rule) => ({
  rule,
  pattern: new RegExp(
    `^${rule.path
      .replace(/[.]/g, String.raw`\.`)
      .replace(/\{\w+\}/g, '([^/]+)')
      .replace(/\/\*\*$/, '(?:/.*)?')}$`,
  ),
}))

const READING = ['GET', 'HEAD']
const CHANGING = ['POST', 'PUT', 'PATCH', 'DELETE']

/** Whether a method changes something. */
export const isChange = (method: string): boolean => CHANGING.includes(method)

export interface Wanted {
  method: string
  path: string
  /** The request carries out one of the desk's own actions, whatever page it is posted to. */
  isAction: boolean
}

/** The run that a path is about; null for none. */
const runOfPath = (path: string): string | null => {
  const run = /^\/api\/runs\/([^/]+)(?:\/|$)/.exec(path)?.[1]
  return run === undefined || run === 'file' ? null : decodeURIComponent(run)
}

/**
 * Whether somebody may have what is asked for.
 * @param runs those that a field device was given
 */
export function mayHave(asker: Asker, { method, path, isAction }: Wanted, runs: readonly string[]): boolean {
  if (asker === 'owner') return true
  const found = patterns.find(({ pattern }) => pattern.test(path))
  if (!found) return false
  if (isAction && asker !== 'desk') return false
  if (![...READING, ...CHANGING].includes(method)) return false
  const allowed = READING.includes(method) ? found.rule.read : found.rule.change
  if (!allowed.includes(asker)) return false
  const run = runOfPath(path)
  return asker !== 'field' || run === null || runs.includes(run)
}
