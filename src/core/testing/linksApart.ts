import { effectsOf, elementOf, type Correction } from '@/core/reach/correction/correction'

/** How much more one link's margin is off than another's in a direction, and how sure that is, dB. */
export function linksApart(c: Correction, key: string, over: string, direction: 'to base' | 'from base') {
  const [a, b] = [key, over].map((k) => effectsOf(c.links, k, direction, 1000, null)) as [number[], number[]]
  const by = a.map((v, i) => v - b[i]!)
  const sigma = elementOf(c.covariance)
  const variance = by.reduce((s, v, i) => s + by.reduce((t, w, j) => t + v * w * sigma(i, j), 0), 0)
  return { mean: by.reduce((s, v, i) => s + v * c.mean[i]!, 0), sd: Math.sqrt(variance) }
}
