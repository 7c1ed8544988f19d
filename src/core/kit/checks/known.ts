import type { KitCheck, KitProblem } from './problem'

/** What nobody has measured and the sums take for granted. */
export const checkKnown: KitCheck = ({ port, tx }) => {
  if (!port.antenna) return []
  const { spec, name } = port.antenna
  const problems: KitProblem[] = []
  if (spec.claimedGain && spec.claimedGain.reference === null && spec.gain === null)
    problems.push({
      code: 'gain-no-reference',
      weight: 'ask',
      where: name,
      message: `${spec.claimedGain.value} dB against what? Against a dipole it is 2.15 dB more than against an isotropic antenna; without saying, it is counted as nothing.`,
      wayOut: 'Ask the maker, and enter dBi or dBd.',
      fix: null,
    })
  if (tx.swrAtAntenna === null)
    problems.push({
      code: 'swr-unknown',
      weight: 'ask',
      where: name,
      message: 'Its SWR was never measured; the sums take it for matched.',
      wayOut: 'Sweep it where it will stand, and enter the points.',
      fix: null,
    })
  return problems
}
