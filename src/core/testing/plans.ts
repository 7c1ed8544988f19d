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

export const mark = (id: string, distanceM = 100, more: Partial<Mark> = {}): Mark => ({
  id,
  name: id,
  legId: 'l',
  legName: 'Shore',
  distanceM,
  distanceSdM: null,
  alongM: null,
  bearingDeg: null,
  lat: null,
  lon: null,
  ...more,
})

/** A plan of one repeat to the base in the order listed, with what the test is about put in. */
export const planWith = (more: Partial<TrialPlan>): TrialPlan => ({
  trialName: 'T',
  base: null,
  question: '',
  links: [],
  directions: ['to base'],
  marks: [],
  scales: { base: RS, out: RS },
  copyRule: USUAL_COPY_RULE,
  repeats: 1,
  order: { scheme: 'as listed', seed: 5 },
  sameAs: [],
  marginDb: 3,
  reliability: 0.9,
  surroundings: 'mixed',
  controlLinkId: null,
  need: { floorM: null, ceilingM: null },
  ...more,
})

/** A whole leg both ways in balanced order. */
export const plan = (links: Link[], marks = 24, scale: Scale = RS, repeats = 1): TrialPlan =>
  planWith({
    links,
    directions: ['to base', 'from base'],
    marks: Array.from({ length: marks }, (_, i) =>
      mark(`m${i}`, 300 + i * 250, { name: `S${i}`, alongM: 300 + i * 250, bearingDeg: 60 }),
    ),
    scales: { base: scale, out: scale },
    repeats,
    order: { scheme: 'balanced', seed: 2 },
  })

export const checkOf = (
  markId: string,
  linkId: string,
  text: string,
  more: Partial<CheckBody> = {},
): CheckBody => ({
  markId,
  linkId,
  direction: 'to base',
  repeat: 1,
  text,
  calls: 1,
  remark: '',
  state: 'graded',
  ...more,
})
export const logged = (checks: CheckBody[]): LoggedCheck[] =>
  checks.map((c, i) =>
    asLogged(c, {
      id: `c${i}`,
      time: new Date(Date.UTC(2026, 4, 16, 8, i)).toISOString(),
      device: 'test',
      role: 'out there',
    }),
  )
