import { figureText } from '@/core/units/numberText'
/** How a figure was come by: its inputs, the formula's name and its source. */
export interface Trace {
  inputs: { name: string; value: string }[]
  formula: string
  source: string
}

/** A figure with its trace. */
export interface Figure {
  label: string
  value: string
  trace: Trace
}

/** dB with a true minus sign and one or two digits. */
export function dbText(db: number, digits = 1): string {
  return Number(db.toFixed(digits)) === 0 ? `0 dB` : `${figureText(db, digits)} dB`
}

/** The same for a level. */
export function dbmText(dbm: number): string {
  return `${figureText(dbm)} dBm`
}

/** Watts with three significant digits, in mW below one tenth. */
export function wattText(powerW: number): string {
  const v = powerW < 0.1 ? powerW * 1000 : powerW
  return `${Number(v.toPrecision(3))} ${powerW < 0.1 ? 'mW' : 'W'}`
}
