export type AxisScale = 'root' | 'even' | 'lg'

/** Place on the axis, 0 to 1. */
export function axisPlace(distanceM: number, farthestM: number, nearestM: number, scale: AxisScale): number {
  const end = farthestM * 1.12
  if (scale === 'even') return Math.min(1, distanceM / end)
  if (scale === 'root') return Math.min(1, Math.sqrt(distanceM / end))
  const start = Math.max(1, nearestM * 0.7)
  return Math.min(1, Math.max(0, Math.log(distanceM / start) / Math.log(end / start)))
}

/** Round figures for the axis, in its own unit. */
export function axisTicks(end: number, start: number, scale: AxisScale): number[] {
  if (scale === 'lg') {
    const all = [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000]
    return all.filter((t) => t >= start && t <= end)
  }
  const step = [0.1, 0.2, 0.25, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500].find((s) => end / s <= 9) ?? 1000
  const ticks: number[] = []
  for (let t = step; t <= end + 1e-9; t += step) ticks.push(Number(t.toFixed(3)))
  const near = [0.02, 0.05, 0.1, 0.25, 0.5, 1, 2, 5, 10, 20, 50, 100].findLast((t) => t <= step / 3)
  if (scale === 'root' && ticks[0]! > end / 12 && near) ticks.unshift(near)
  return ticks
}
