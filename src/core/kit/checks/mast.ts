import type { KitCheck, KitProblem } from './problem'

/** A clamp that does not take the mast, a height it does not reach, a lead too short for mast and way in. */
export const checkMast: KitCheck = ({ rig, port, antennaHeightM }) => {
  const problems: KitProblem[] = []
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
        message: `The clamp takes tubes of ${tubeFromMm} to ${tubeToMm} mm; the mast’s is ${tubeMm} mm.`,
        wayOut:
          tubeMm < tubeFromMm
            ? 'Take a smaller clamp, or sleeve the tube up to size.'
            : 'Take a larger clamp. A forced one slips.',
        mend: null,
      })
  } else if (mount && mount.spec.place !== 'clamp')
    problems.push({
      code: 'mount-no-clamp',
      weight: 'ask',
      where: mount.name,
      message: `Whether ${mount.name} holds on ${mast.name} is not known: one of the diameters is missing.`,
      wayOut: 'Enter the tubes that the mount takes and the mast’s own.',
      mend: null,
    })
  if (antennaHeightM > highestM + 0.5 || antennaHeightM < lowestM)
    problems.push({
      code: 'mast-height',
      weight: 'stops',
      where: mast.name,
      message: `It stands ${lowestM} to ${highestM} m high; the antenna is to be at ${antennaHeightM} m.`,
      wayOut: `Choose a height of ${lowestM} to ${highestM} m.`,
      mend: { kind: 'set height', heightM: antennaHeightM < lowestM ? lowestM : highestM },
    })
  const lengthM = port.items.reduce((s, p) => s + (p.part.kind === 'lead' ? p.part.spec.lengthM : 0), 0)
  const wayInM = rig.assembly.wayInM ?? 0
  const neededM = antennaHeightM + wayInM
  if (port.antenna && lengthM < neededM)
    problems.push({
      code: 'lead-short',
      weight: 'stops',
      where: mast.name,
      message: `From an antenna at ${antennaHeightM} m down and ${wayInM} m in to the radio are ${neededM} m; the leads make ${Number(lengthM.toFixed(1))} m.`,
      wayOut: `Take a lead of at least ${Math.ceil(neededM)} m.`,
      mend: null,
    })
  return problems
}
