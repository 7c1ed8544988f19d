/** Something that time asks for. */
export interface Reminder {
  key: 'turn back' | 'missed check' | 'identify'
  words: string
  urgent: boolean
}

export interface TimerSettings {
  turnBack: string
  missedMinutes: number
  identifyMinutes: number
  callSign: string
}

const MINUTE = 60_000
/** Said this long before it is time, minutes. */
const WARNED = 15
/** A run without a check for so long is not under way, minutes. */
const STALE = 240

/** Today's hh:mm as ms since the epoch; null where it is none. */
export function timeToday(hhmm: string, now: number): number | null {
  const m = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(hhmm.trim())
  if (!m) return null
  const d = new Date(now)
  d.setHours(Number(m[1]), Number(m[2]), 0, 0)
  return d.getTime()
}

/**
 * What is due now.
 * @param now, lastCheck, identified in ms since the epoch; null where there was none yet
 */
export function reminders(
  settings: TimerSettings,
  now: number,
  lastCheck: number | null,
  identified: number | null,
): Reminder[] {
  const due: Reminder[] = []
  const back = timeToday(settings.turnBack, now)
  if (back !== null) {
    const left = Math.ceil((back - now) / MINUTE)
    if (left <= 0) due.push({ key: 'turn back', words: 'It is time to turn back.', urgent: true })
    else if (left <= WARNED) due.push({ key: 'turn back', words: `Turn back in ${left} min.`, urgent: false })
  }
  // A run that lies since yesterday misses no check.
  const since = lastCheck === null ? Infinity : Math.floor((now - lastCheck) / MINUTE)
  if (settings.missedMinutes > 0 && since < STALE) {
    if (since >= settings.missedMinutes)
      due.push({
        key: 'missed check',
        words: `No check for ${since} min. Call, or go back to where you were heard.`,
        urgent: true,
      })
  }
  // Only who has sent since needs to identify.
  if (settings.identifyMinutes > 0 && since < settings.identifyMinutes) {
    const quiet = Math.floor((now - (identified ?? 0)) / MINUTE)
    if (quiet >= settings.identifyMinutes)
      due.push({
        key: 'identify',
        words: `Identify${settings.callSign ? `: ${settings.callSign}` : ' as your licence demands'}.`,
        urgent: false,
      })
  }
  return due
}
