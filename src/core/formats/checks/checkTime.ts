import { isValid, parse, parseISO } from 'date-fns'

const WITH_ZONE = /(z|[+-]\d\d:?\d\d)$/i
const CLOCKS = ['HH:mm:ss', 'HH:mm']
const SLASHED = /^(\d{1,2})\/(\d{1,2})\/\d{4}\b/

/** Which of day and month comes first in a column of dates with slashes; null where none of them tells. */
export function slashOrder(texts: readonly string[]): 'day first' | 'month first' | null {
  for (const text of texts) {
    const [, a, b] = SLASHED.exec(text.trim()) ?? []
    if (Number(a) > 12) return 'day first'
    if (Number(b) > 12) return 'month first'
  }
  return null
}

/**
 * A time of a check, in UTC unless it says otherwise: by ISO 8601, or day.month.year, or with slashes where the column
 * tells which comes first.
 * @returns by ISO 8601, or why it is none
 */
export function checkTime(
  text: string,
  slashes: 'day first' | 'month first' | null,
): { time: string } | { why: string } {
  const plain = text.trim().replace(/\s+/g, ' ')
  const given = WITH_ZONE.exec(plain)?.[0]
  const iso = parseISO(given ? plain.replace(' ', 'T') : `${plain.replace(' ', 'T')}Z`)
  if (isValid(iso)) return { time: iso.toISOString() }
  const slashed = SLASHED.test(plain)
  if (slashed && slashes === null)
    return { why: `"${text}" could be two days; write the year first, as in 2026-05-16 08:10` }
  const date = slashed ? (slashes === 'day first' ? 'dd/MM/yyyy' : 'MM/dd/yyyy') : 'dd.MM.yyyy'
  const zone = given ? '' : '+00:00'
  for (const clock of CLOCKS) {
    const found = parse(`${plain}${zone}`, `${date} ${clock}XXX`, new Date(0))
    if (isValid(found) && found.getFullYear() > 1900) return { time: found.toISOString() }
  }
  return { why: `"${text}" is no time; 2026-05-16T08:10:39Z would be (hours 00 to 23)` }
}
