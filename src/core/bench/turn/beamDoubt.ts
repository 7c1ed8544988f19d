/**
 * How far a beam's width may be off, degrees, where a mean of one angle is off by so much: each edge moves by the level
 * over the slope, and the peak, from which both are counted, moves both the same way: √(2 + 2²) of it.
 * @param levelOffDb of a mean, 0 or more @param slopeDb a degree at the edges, above 0
 */
export const beamDoubtDeg = (levelOffDb: number, slopeDb: number) => (Math.sqrt(6) * levelOffDb) / slopeDb
