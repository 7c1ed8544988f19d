import { EVENING_TERMS, USUAL_CHOICES, type Choices, type LeftOutChoice } from '@/core/findings'
import { USUAL_LAYER_KM, type SkyAntenna } from '@/core/propagation'
import type { CopyRule } from '@/core/reports'

/** The knobs that a reader of findings may turn over the same log. */
export interface Settings {
  rule: CopyRule
  /** By which figure of a check it is read, where there are two. */
  by: 'first' | 'second'
  /** The difference that would matter, dB. */
  marginDb: number
  /** How often a copy is wanted, 0 to 1. */
  reliability: number
  /** A reach that is needed, and one not to be exceeded, m; null for none. */
  need: { floorM: number | null; ceilingM: number | null }
  /** An area that is to be covered; null for none. */
  areaId: string | null
  /** What is evened, left out, and by what step meters are read. */
  choices: Choices
  /** Other runs of the trial that are put together with the one shown. */
  withRuns: string[]
  /** Reach that somebody claimed for a link, m. */
  claims: Record<string, number>
  /** What the antennas of links are when they work by way of the sky, and the layer's virtual height, km. */
  sky: { antennas: Record<string, SkyAntenna>; layerKm: number }
}

type Params = Record<string, string | string[] | undefined>

function numberIn<T>(params: Params, name: string, least: number, most: number, old: T): number | T | null {
  const raw = params[name]
  if (typeof raw !== 'string') return old
  if (raw === '') return null
  const n = Number(raw)
  return Number.isFinite(n) && n >= least && n <= most ? n : old
}

const listIn = (params: Params, name: string): string[] => {
  const raw = params[name]
  return raw === undefined ? [] : Array.isArray(raw) ? raw : [raw]
}

/** A copy rule in an address: what is not named is the plan's. */
export function ruleFromParams(params: Params, plan: CopyRule): CopyRule {
  return {
    minReadability: numberIn(params, 'readability', 1, 5, plan.minReadability),
    maxCalls: numberIn(params, 'calls', 1, 99, plan.maxCalls) ?? plan.maxCalls,
    minLevel: numberIn(params, 'level', -200, 100, plan.minLevel),
    minShare: numberIn(params, 'share', 0, 1, plan.minShare),
    minWord: numberIn(params, 'word', 1, 50, plan.minWord ?? null),
    minFigure: numberIn(params, 'figure', 0, 1e6, plan.minFigure ?? null),
  }
}

const decoded = (text: string): string | null => {
  try {
    return decodeURIComponent(text)
  } catch {
    return null
  }
}

function leftOutIn(params: Params): LeftOutChoice[] {
  return listIn(params, 'out').flatMap((text) => {
    const [what, id, reason] = text.split(':').map(decoded)
    return (what === 'leg' || what === 'mark' || what === 'check') && id && reason
      ? [{ what, id, reason }]
      : []
  })
}

function choicesFromParams(params: Params): Choices {
  const [even] = listIn(params, 'even')
  const step = params.step === 'unknown' ? 'unknown' : numberIn(params, 'step', 1, 12, null)
  return {
    evening:
      even === undefined ? USUAL_CHOICES.evening : EVENING_TERMS.filter((t) => even.split(',').includes(t)),
    leftOut: leftOutIn(params),
    unitStepDb: step,
  }
}

function claimsIn(params: Params): Record<string, number> {
  return Object.fromEntries(
    listIn(params, 'claim').flatMap((text) => {
      const [id, metres] = text.split(':').map(decoded)
      const m = Number(metres)
      return id && m > 0 && m <= 2e6 ? [[id, m]] : []
    }),
  )
}

function skyIn(params: Params): Settings['sky'] {
  const antennas = Object.fromEntries(
    listIn(params, 'sky').flatMap((text): [string, SkyAntenna][] => {
      const [id, kind, height, loss] = text.split(':').map(decoded)
      const [heightM, groundLossDb] = [Number(height), Number(loss)]
      if (!id || !(heightM >= 0 && heightM <= 100) || !(groundLossDb >= 0 && groundLossDb <= 20)) return []
      if (kind === 'dipole') return [[id, { kind: 'horizontal dipole', heightM, groundLossDb }]]
      return kind === 'vertical' ? [[id, { kind: 'quarter-wave vertical', heightM, groundLossDb }]] : []
    }),
  )
  return { antennas, layerKm: numberIn(params, 'layer', 80, 600, USUAL_LAYER_KM) ?? USUAL_LAYER_KM }
}

/** All knobs in an address. */
export function settingsFromParams(
  params: Params,
  plan: { copyRule: CopyRule; marginDb: number; reliability: number; need: Settings['need'] },
): Settings {
  return {
    rule: ruleFromParams(params, plan.copyRule),
    by: params.by === 'second' ? 'second' : 'first',
    marginDb: numberIn(params, 'margin', 0.1, 60, plan.marginDb) ?? plan.marginDb,
    reliability: numberIn(params, 'often', 0.5, 0.99, plan.reliability) ?? plan.reliability,
    need: {
      floorM: numberIn(params, 'floor', 1, 2e6, plan.need.floorM),
      ceilingM: numberIn(params, 'ceiling', 1, 2e6, plan.need.ceilingM),
    },
    areaId: typeof params.area === 'string' && params.area !== '' ? params.area : null,
    choices: choicesFromParams(params),
    withRuns: listIn(params, 'with'),
    claims: claimsIn(params),
    sky: skyIn(params),
  }
}

export function paramsFromRule(rule: CopyRule, runId: string): string {
  const params = new URLSearchParams({
    run: runId,
    readability: String(rule.minReadability ?? ''),
    calls: String(rule.maxCalls),
    level: String(rule.minLevel ?? ''),
    share: String(rule.minShare ?? ''),
    word: String(rule.minWord ?? ''),
    figure: String(rule.minFigure ?? ''),
  })
  return params.toString()
}

/** An address's knobs; what is as usual is not named. */
export function paramsFromSettings(settings: Settings, runId: string): string {
  const { floorM, ceilingM } = settings.need
  const { evening, leftOut, unitStepDb } = settings.choices
  const params = new URLSearchParams(paramsFromRule(settings.rule, runId))
  if (settings.by === 'second') params.set('by', 'second')
  params.set('margin', String(settings.marginDb))
  params.set('often', String(settings.reliability))
  params.set('floor', String(floorM ?? ''))
  params.set('ceiling', String(ceilingM ?? ''))
  if (settings.areaId) params.set('area', settings.areaId)
  if (evening.join() !== USUAL_CHOICES.evening.join()) params.set('even', evening.join())
  if (unitStepDb !== null) params.set('step', String(unitStepDb))
  const code = (parts: readonly (string | number)[]) => parts.map((p) => encodeURIComponent(p)).join(':')
  for (const { what, id, reason } of leftOut) params.append('out', code([what, id, reason]))
  for (const id of settings.withRuns) params.append('with', id)
  for (const [id, metres] of Object.entries(settings.claims)) params.append('claim', code([id, metres]))
  for (const [id, a] of Object.entries(settings.sky.antennas))
    params.append(
      'sky',
      code([id, a.kind === 'horizontal dipole' ? 'dipole' : 'vertical', a.heightM, a.groundLossDb]),
    )
  if (settings.sky.layerKm !== USUAL_LAYER_KM) params.set('layer', String(settings.sky.layerKm))
  return params.toString()
}
