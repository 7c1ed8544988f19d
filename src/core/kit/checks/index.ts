import { checkAntennaThere } from './antennaThere'
import { checkBands } from './bands'
import { checkFeeders } from './feeders'
import { checkGroundPlane } from './groundPlane'
import { checkJoints } from './joints'
import { checkKnown } from './known'
import { checkLeadWorth } from './leadWorth'
import { checkMast } from './mast'
import { checkMatch } from './match'
import { checkPower } from './power'
import { checkService } from './service'
import { checkSetting } from './setting'
import { checkTwoPorts } from './twoPorts'
import type { CheckedPort, KitCheck, KitProblem } from './problem'

export type { CheckedPort, KitProblem } from './problem'

const ALL: readonly KitCheck[] = [
  checkAntennaThere,
  checkJoints,
  checkPower,
  checkMatch,
  checkService,
  checkMast,
  checkBands,
  checkFeeders,
  checkGroundPlane,
  checkTwoPorts,
  checkSetting,
  checkLeadWorth,
  checkKnown,
]
const WEIGHTS: KitProblem['weight'][] = ['harms', 'stops', 'costs', 'ask']

/** Everything that will not work with one port of a rig, the gravest first. */
export function problemsOf(port: CheckedPort): KitProblem[] {
  const found = ALL.flatMap((check) => check(port))
  return found.sort((a, b) => WEIGHTS.indexOf(a.weight) - WEIGHTS.indexOf(b.weight))
}
