/** A change that was not made: why, and what would be right. Shown to the user as it is. */
export interface Refusal {
  ok: false
  message: string
}

export type Done<T = undefined> = { ok: true; value: T } | Refusal

export const done = <T>(value: T): Done<T> => ({ ok: true, value })
export const refuse = (message: string): Refusal => ({ ok: false, message })

/** What an update says whose row has moved on since it was read. */
export const CHANGED_MEANWHILE =
  'Somebody changed this in another window meanwhile. Nothing was saved; reload, and make your change again.'
