import { swrText } from '@/core/rf'
import type { KitCheck, KitProblem } from './problem'

const USUAL_SWR_LIMIT = 2.5
/** An antenna worse than this whose radio sees less than the second is hidden by its lead. */
const [BAD, LOOKS_GOOD] = [2.5, 1.6]

/** A match that endangers the radio, and one that a lossy lead hides from it. */
export const checkMatch: KitCheck = ({ rig, tx, port }) => {
  const problems: KitProblem[] = []
  const { swrAtAntenna, swrAtRadio, swrOutside, frequencyMHz } = tx
  if (!port.antenna || !rig.radio) return problems
  const limit = rig.radio.spec.swrLimit ?? USUAL_SWR_LIMIT
  if (swrAtRadio > limit)
    problems.push({
      code: 'swr-endangers',
      weight: 'harms',
      where: rig.radio.name,
      message: `${rig.radio.name} would see an SWR of ${swrText(swrAtRadio)} at ${frequencyMHz} MHz; it bears ${swrText(limit)}. Reflected power can destroy the final stage.`,
      wayOut:
        'Lower the power, and mend the match first: sweep the antenna, look for its ground plane, its setting, its plug.',
      fix: null,
    })
  else if (swrAtAntenna !== null && swrAtAntenna > BAD && swrAtRadio < LOOKS_GOOD)
    problems.push({
      code: 'swr-hidden',
      weight: 'costs',
      where: port.antenna.name,
      message: `The radio’s meter would show ${swrText(swrAtRadio)} and all would look well, while the antenna stands at ${swrText(swrAtAntenna)}: a lossy lead hides a bad antenna.`,
      wayOut: 'Measure at the antenna’s own connector.',
      fix: null,
    })
  if (swrOutside)
    problems.push({
      code: 'swr-outside',
      weight: 'ask',
      where: port.antenna.name,
      message: `Its SWR was not measured at ${frequencyMHz} MHz; the nearest point stands for it.`,
      wayOut: 'Sweep it over this channel and enter the points.',
      fix: null,
    })
  return problems
}
