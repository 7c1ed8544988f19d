/** Where the clock stands that two operators work to. */
export interface ClockWindow {
  /** How many windows have begun; 0 before the first. */
  begun: number
  /** Until the next one begins, ms. */
  toNextMs: number
}

/**
 * The listening window at a moment. Windows begin at the start and then every so often, whatever is heard.
 * @param clock startsAt in UTC, ISO 8601; everyS above nought
 * @param nowMs ms since the epoch
 */
export function clockWindow(clock: { startsAt: string; everyS: number }, nowMs: number): ClockWindow {
  const everyMs = clock.everyS * 1000
  const since = nowMs - Date.parse(clock.startsAt)
  if (since < 0) return { begun: 0, toNextMs: -since }
  const passed = Math.floor(since / everyMs)
  return { begun: passed + 1, toNextMs: (passed + 1) * everyMs - since }
}

/** The next moment, ms since the epoch, at which a clock of this pace strikes on the round hour. */
export function nextRound(everyS: number, nowMs: number): number {
  const everyMs = everyS * 1000
  return Math.ceil((nowMs + 1) / everyMs) * everyMs
}
