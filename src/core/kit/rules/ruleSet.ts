import { ref, type AnySchema, type InferType } from 'yup'
import { bad, problem, type Outcome } from '@/core/outcome'
import { checked, figure, flag, list, record, text } from '@/core/schema'

const frequency = () =>
  figure()
    .min(0, '${path} must be 0 MHz or more')
    .max(300000, '${path} must be at most 300 000 MHz')
    .required('${path} is missing')
/** Null leaves a thing free. */
const limit = () =>
  figure().moreThan(0, '${path} must be above 0, or null where there is no limit').nullable().default(null)
const name = () => text(80).required('${path} is missing')

const band = <T extends Record<string, AnySchema>>(fields: T) => ({
  fromMHz: frequency(),
  toMHz: frequency().moreThan(ref('fromMHz'), '${path} must be above fromMHz'),
  ...fields,
})

const serviceRecord = record(
  band({
    name: name(),
    maxPowerW: limit(),
    maxErpW: limit(),
    maxAntennaHeightM: limit(),
    /** Whether the antenna may be another than the radio's own. */
    externalAntenna: flag().default(true),
  }),
)

/** What a radio service allows. */
export type ServiceRule = InferType<typeof serviceRecord>

const exposureRecord = record(band({ limitWm2: limit(), perMHz: limit() })).test(
  'one',
  '${path} needs limitWm2 or perMHz',
  (v) => v.limitWm2 !== null || v.perMHz !== null,
)

/** The border of rule sets: form, action and file. */
const ruleSetRecord = record({
  name: name(),
  note: text(1000).default(''),
  services: list(serviceRecord.required(), 60)
    .required('${path} is missing')
    .min(1, '${path} must have at least one service'),
  exposure: list(exposureRecord.required(), 60).default([]),
})

/** Rules of a region: an example to edit, never legal advice. */
export type RuleSet = InferType<typeof ruleSetRecord>

/** What marks a file of rules as one. */
const FORMAT = 'even-reach-rules'

/** A rule set as a file. */
export function writeRuleSet(rules: RuleSet): string {
  return `${JSON.stringify({ format: FORMAT, version: 1, ...rules }, null, 2)}\n`
}

/** Reads a file of rules, or says what in it is wrong and where. */
export function readRuleSet(text: string): Outcome<RuleSet> {
  let raw: unknown
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (e) {
    return bad(problem('not-json', 'file', `This is not JSON: ${(e as Error).message}.`))
  }
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return bad(problem('not-rules', 'file', `A file of rules is an object with "format": "${FORMAT}".`))
  const { format, version, ...rest } = raw as Record<string, unknown>
  if (format !== FORMAT)
    return bad(
      problem('not-rules', 'format', `This is JSON, but no file of rules: "format" must be "${FORMAT}".`),
    )
  if (version !== 1)
    return bad(
      problem('version', 'version', `"version" must be 1; this file says ${JSON.stringify(version)}.`),
    )
  return checkRuleSet(rest)
}

/** Checks a rule set from wherever. */
export function checkRuleSet(raw: unknown): Outcome<RuleSet> {
  const rules = checked(ruleSetRecord, raw)
  if (rules.ok) return rules
  return bad(...rules.problems.map((p) => problem('rules', p.where || 'file', `${p.message}.`)))
}
