export type Units = 'metric' | 'imperial'

const FOOT_M = 0.3048
const MILE_M = 1609.344

/**
 * A distance in words: "850 m", "2.9 km", or "930 yd", "1.8 mi".
 * @param metres nought or more
 */
export function distanceText(metres: number, units: Units): string {
  if (units === 'imperial') {
    if (metres < 0.6 * MILE_M) return `${rounded(metres / (3 * FOOT_M))} yd`
    return `${(metres / MILE_M).toFixed(metres < 10 * MILE_M ? 1 : 0)} mi`
  }
  if (metres < 995) return `${rounded(metres)} m`
  return `${(metres / 1000).toFixed(metres < 9950 ? 1 : 0)} km`
}

/** A distance that was estimated: from ten kilometres (miles) on it has two figures, as those below have already. */
export function aboutDistanceText(metres: number, units: Units): string {
  const unit = units === 'imperial' ? MILE_M : 1000
  return distanceText(metres < 9.95 * unit ? metres : unit * Number((metres / unit).toPrecision(2)), units)
}

/** A height in words: "8 m" or "26 ft". */
export function heightText(metres: number, units: Units): string {
  return units === 'imperial' ? `${Math.round(metres / FOOT_M)} ft` : `${Number(metres.toFixed(1))} m`
}

/** What a number on an axis of distance is in. */
export const distanceUnit = (units: Units) => (units === 'imperial' ? 'mi' : 'km')

/** Metres to the axis' unit. */
export const toAxis = (metres: number, units: Units) => metres / (units === 'imperial' ? MILE_M : 1000)

/** The axis' unit to metres. */
export const fromAxis = (value: number, units: Units) => value * (units === 'imperial' ? MILE_M : 1000)

/** The unit of a speed, and a speed in it from km/h and back. */
export const speedUnit = (units: Units) => (units === 'imperial' ? 'mph' : 'km/h')
export const toSpeed = (kmh: number, units: Units) => toAxis(1000 * kmh, units)
export const fromSpeed = (speed: number, units: Units) => fromAxis(speed, units) / 1000

/** A short length that is typed in: m or ft. */
export const lengthUnit = (units: Units) => (units === 'imperial' ? 'ft' : 'm')
export const toLength = (metres: number, units: Units) => (units === 'imperial' ? metres / FOOT_M : metres)
export const fromLength = (value: number, units: Units) => (units === 'imperial' ? value * FOOT_M : value)

/** A distance to keep in the user's unit, rounded up to a tenth, since it is kept and not aimed at. */
export function roundedUpText(metres: number, units: Units): string {
  return `${(Math.ceil(toLength(metres, units) * 10 - 1e-9) / 10).toFixed(1)} ${lengthUnit(units)}`
}

/** To tens; below a hundred, where a tape is used, to ones. */
const rounded = (value: number) => (value < 99.5 ? Math.round(value) : Math.round(value / 10) * 10)

const MILE2_KM2 = (MILE_M / 1000) ** 2
const areaUnit = (units: Units) => (units === 'imperial' ? 'sq mi' : 'km²')

/** An area's figure without its unit, three digits that count at the most. */
export function areaFigure(km2: number, units: Units): string {
  const v = units === 'imperial' ? km2 / MILE2_KM2 : km2
  return v >= 100 ? v.toFixed(0) : v >= 10 ? v.toFixed(1) : v.toFixed(2)
}

export const areaText = (km2: number, units: Units) => `${areaFigure(km2, units)} ${areaUnit(units)}`
