import type { DeviceRole, Post } from '@/core/crew'

/** How other devices come in, as the server says. */
export interface CrewState {
  open: boolean
  plain: string[]
  secure: string[]
  fingerprint: string | null
}

/** A run that devices can be given. */
export interface GivableRun {
  id: string
  name: string
  trial: string
}

export interface DeviceLine {
  id: string
  name: string
  role: DeviceRole
  lastSeenAt: string | null
  revokedAt: string | null
  /** Entries that are on it alone; null where it has not said since the server was started. */
  waiting: number | null
  runs: { runId: string; post: Post | null; rigIds: string[] }[]
}
