import type { Link, Rig } from '@/core/kit'
import { defaultScale, USUAL_COPY_RULE, type Scale } from '@/core/reports'
import { asLogged, type CheckBody, type LoggedCheck, type Mark, type TrialPlan } from '@/core/trial'

// What the tests of findings are made from: rigs at a desk and out there, a leg of even marks, checks a minute apart.

export const rig = (id: string, more: Partial<Rig> = {}): Rig => ({
  id,
  letter: id.toUpperCase(),
  name: `Rig ${id}`,
  kind: 'handheld',
  txMHz: 460,
  rxMHz: null,
  powerW: 2,
  antennaHeightM: 1.4,
  antennaGainDbi: null,
  leadLossDb: 0,
  attenuatorDb: 0,
  attenuatorAt: 'both ways',
  ...more,
})
export const desk = rig('z', {
  kind: 'base',
  powerW: 25,
  antennaHeightM: 8,
  antennaGainDbi: 5.2,
  leadLossDb: 1.9,
})
export const link = (out: Rig, base = desk): Link => ({
  id: out.id,
  letter: out.letter,
  name: out.name,
  base,
  out,
})
export const RS = defaultScale('readability-strength')

export function plan(links: Link[], marks = 24, scale: Scale = RS, repeats = 1): TrialPlan {
  return {
    trialName: 'T',
    base: null,
    question: '',
    links,
    directions: ['to base', 'from base'],
    marks: Array.from({ length: marks }, (_, i): Mark => ({
      id: `m${i}`,
      name: `S${i}`,
      legId: 'l',
      legName: 'Shore',
      distanceM: 300 + i * 250,
      distanceSdM: null,
      alongM: 300 + i * 250,
      bearingDeg: 60,
      lat: null,
      lon: null,
    })),
    scales: { base: scale, out: scale },
    copyRule: USUAL_COPY_RULE,
    repeats,
    order: { scheme: 'balanced', seed: 2 },
    sameAs: [],
    marginDb: 3,
    reliability: 0.9,
    surroundings: 'mixed',
    controlLinkId: null,
    need: { floorM: null, ceilingM: null },
  }
}
export const logged = (checks: CheckBody[]): LoggedCheck[] =>
  checks.map((c, i) =>
    asLogged(c, {
      id: `c${i}`,
      time: new Date(Date.UTC(2026, 4, 16, 8, i)).toISOString(),
      device: 'test',
      role: 'out there',
    }),
  )
