/** A text of a figure with a proper minus in place of the hyphen: "−0.4". */
export const withMinus = (figure: number | string): string => String(figure).replace(/^-/, '−')

/** A figure to so many digits after the point, with a proper minus; nought has none. */
export function figureText(v: number, digits = 1): string {
  const size = Math.abs(v).toFixed(digits)
  return v < 0 && Number(size) !== 0 ? `−${size}` : size
}

/** The same with its sign: "+3.1", "−0.4", "0.0". */
export const signedText = (v: number, digits = 1): string =>
  v > 0 && Number(v.toFixed(digits)) !== 0 ? `+${figureText(v, digits)}` : figureText(v, digits)

/** A share as whole per cent: "94 %". */
export const percentText = (share: number): string => `${Math.round(100 * share)} %`

/** So many of something: "1 mark", "12 marks". */
export const countText = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`
