import type { Units } from './distance'

const INCH_M = 0.0254

/**
 * Millimetres with a tenth below a metre; else metres with a millimetre.
 * @example millimetreText(0.1548) // "154.8 mm"
 */
export function millimetreText(lengthM: number): string {
  return lengthM < 1 ? `${(lengthM * 1000).toFixed(1)} mm` : `${lengthM.toFixed(3)} m`
}

/** Inches with two digits; from 4 ft on, feet and inches. */
export function inchText(lengthM: number): string {
  const inches = lengthM / INCH_M
  if (inches < 48) return `${inches.toFixed(2)} in`
  // Rounded before it is split, so that 11.97 in never becomes 12.0 in.
  const tenths = Math.round(inches * 10)
  return `${Math.floor(tenths / 120)} ft ${((tenths % 120) / 10).toFixed(1)} in`
}

/** A short length in the user's unit. */
export const shortLengthText = (lengthM: number, units: Units) =>
  units === 'imperial' ? inchText(lengthM) : millimetreText(lengthM)

/** Units of typed fields and what one of the other system's is in them. */
const IMPERIAL_OF = {
  km: { unit: 'mi', factor: 1 / 1.609344 },
  m: { unit: 'ft', factor: 1 / 0.3048 },
  mm: { unit: 'in', factor: 1 / 25.4 },
  g: { unit: 'oz', factor: 1 / 28.349523125 },
} as const
export type MeasuredUnit = keyof typeof IMPERIAL_OF

/** A unit as the user chose it. */
export const shownUnit = (unit: string, units: Units) =>
  units === 'imperial' && unit in IMPERIAL_OF ? IMPERIAL_OF[unit as MeasuredUnit].unit : unit

/** A value in km, m, mm or g as the user reads it; others stay. Three decimals at most. */
export function toShown(value: number, unit: string, units: Units): number {
  if (units !== 'imperial' || !(unit in IMPERIAL_OF)) return value
  return Number((value * IMPERIAL_OF[unit as MeasuredUnit].factor).toFixed(3))
}

/** And back. */
export function fromShown(value: number, unit: string, units: Units): number {
  if (units !== 'imperial' || !(unit in IMPERIAL_OF)) return value
  return Number((value / IMPERIAL_OF[unit as MeasuredUnit].factor).toPrecision(10))
}
