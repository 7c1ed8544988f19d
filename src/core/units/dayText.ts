const DAY_AND_TIME = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
})
const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const WEEKDAY = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })

/** A time as "4 May 2026, 09:30", by the clock of whoever reads. */
export const dayAndTime = (at: Date): string => DAY_AND_TIME.format(at)

/** A day as "4 May 2026". */
export const dayText = (at: Date): string => DAY.format(at)

/** A day of this year as "Monday 4 May". */
export const weekdayText = (at: Date): string => WEEKDAY.format(at).replace(',', '')
