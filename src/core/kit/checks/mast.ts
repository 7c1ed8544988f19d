import { heightText, shownUnit, toShown } from '@/core/units'
import type { KitCheck, KitProblem } from './problem'

/** A clamp that does not take the mast, a height it does not reach, a lead too short for mast and way in. */
export const checkMast: KitCheck = ({ rig, port, antennaHeightM, units }) => {
  const problems: KitProblem[] = []
  const long = (metres: number) => heightText(metres, units)
  const tube = (mm: number) => `${toShown(mm, 'mm', units)} ${shownUnit('mm', units)}`
  const { mast, mount } = port
  if (!mast) return problems
  const { lowestM, highestM, tubeMm } = mast.spec
  const { tubeFromMm, tubeToMm } = mount?.spec ?? { tubeFromMm: null, tubeToMm: null }
  if (mount && tubeMm !== null && tubeFromMm !== null && tubeToMm !== null) {
    if (tubeMm < tubeFromMm || tubeMm > tubeToMm)
      problems.push({
        code: 'clamp-misfit',
        weight: 'stops',
        where: `${mount.name} on ${mast.name}`,
        message: `The clamp takes tubes of ${tube(tubeFromMm)} to ${tube(tubeToMm)}; the mast’s is ${tube(tubeMm)}.`,
        wayOut:
          tubeMm < tubeFromMm
            ? 'Take a smaller clamp, or sleeve the tube up to size.'
            : 'Take a larger clamp. A forced one slips.',
        fix: null,
      })
  } else if (mount && mount.spec.place !== 'clamp')
    problems.push({
      code: 'mount-no-clamp',
      weight: 'ask',
      where: mount.name,
      message: `Whether ${mount.name} holds on ${mast.name} is not known: one of the diameters is missing.`,
      wayOut: 'Enter the tubes that the mount takes and the mast’s own.',
      fix: null,
    })
  if (antennaHeightM > highestM + 0.5 || antennaHeightM < lowestM)
    problems.push({
      code: 'mast-height',
      weight: 'stops',
      where: mast.name,
      message: `It stands ${long(lowestM)} to ${long(highestM)} high; the antenna is to be at ${long(antennaHeightM)}.`,
      wayOut: `Choose a height of ${long(lowestM)} to ${long(highestM)}.`,
      fix: { kind: 'set height', heightM: antennaHeightM < lowestM ? lowestM : highestM },
    })
  const lengthM = port.items.reduce((s, p) => s + (p.part.kind === 'lead' ? p.part.spec.lengthM : 0), 0)
  const wayInM = rig.assembly.wayInM ?? 0
  const neededM = antennaHeightM + wayInM
  if (port.antenna && lengthM < neededM)
    problems.push({
      code: 'lead-short',
      weight: 'stops',
      where: mast.name,
      message: `From an antenna at ${long(antennaHeightM)} down and ${long(wayInM)} in to the radio are ${long(neededM)}; the leads make ${long(lengthM)}.`,
      wayOut: `Take a lead of at least ${long(Math.ceil(neededM))}.`,
      fix: null,
    })
  return problems
}
