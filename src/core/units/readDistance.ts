const METRES = { m: 1, km: 1000, ft: 0.3048, yd: 0.9144, mi: 1609.344 } as const
export type TypedUnit = keyof typeof METRES

const NAMES: Record<string, TypedUnit> = {
  m: 'm',
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
  km: 'km',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  yd: 'yd',
  yds: 'yd',
  yard: 'yd',
  yards: 'yd',
  mi: 'mi',
  mile: 'mi',
  miles: 'mi',
}

const ONE = /^(\d+(?:[.,]\d+)?|[.,]\d+)\s*([a-z]*)$/i

/**
 * A distance as somebody types it: "820 m", "0.1 mi", "500 ft", "1,2".
 * @param bare what a figure without a unit is in
 * @returns metres, above nought; null where it is none
 */
export function readDistance(text: string, bare: TypedUnit): number | null {
  const m = ONE.exec(text.trim())
  if (!m) return null
  const unit = m[2] === '' ? bare : NAMES[m[2]!.toLowerCase()]
  const value = Number(m[1]!.replace(',', '.'))
  return unit && value > 0 ? value * METRES[unit] : null
}

/**
 * Several distances with blanks, semicolons, or commas before a blank between them. A unit behind the last one is
 * that of all that have none: "0.1 0.2 0.4 mi".
 * @returns metres in the order typed; null where one of them is none
 */
export function readDistances(text: string, bare: TypedUnit): number[] | null {
  const parts = text
    .trim()
    .replace(/([\d])\s+([a-z]+)/gi, '$1$2')
    .split(/[;\s]+|,\s+/)
    .map((t) => t.replace(/,$/, ''))
    .filter((t) => t !== '')
  const last = /[a-z]+$/i.exec(parts.at(-1) ?? '')?.[0].toLowerCase()
  const unit = last === undefined ? bare : (NAMES[last] ?? bare)
  const metres = parts.map((t) => readDistance(t, unit))
  return metres.some((m) => m === null) ? null : (metres as number[])
}
