/** ln of the chance of a report and its derivatives by the level y, the cut below (a) and the cut above (b). */
export interface ChanceAt {
  log: number
  y: number
  a: number
  b: number
  yy: number
  ya: number
  yb: number
  aa: number
  ab: number
  bb: number
}

export const noChance = (): ChanceAt => ({
  log: 0,
  y: 0,
  a: 0,
  b: 0,
  yy: 0,
  ya: 0,
  yb: 0,
  aa: 0,
  ab: 0,
  bb: 0,
})

/** Chances smaller than this are none; it keeps logarithms finite. */
export const LEAST = 1e-290
export const LN_LEAST = Math.log(LEAST)

/** Writes a chance that hangs on no cut above. */
export function fill(
  out: ChanceAt,
  log: number,
  y: number,
  a: number,
  yy: number,
  ya: number,
  aa: number,
): void {
  out.log = log
  out.y = y
  out.a = a
  out.yy = yy
  out.ya = ya
  out.aa = aa
  out.b = out.yb = out.ab = out.bb = 0
}

/** Writes that there is no chance, whichever way one goes. */
export function none(out: ChanceAt): void {
  fill(out, LN_LEAST, 0, 0, 0, 0, 0)
}
