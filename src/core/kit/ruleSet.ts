import * as yup from 'yup'
import { bad, good, problem, type Outcome } from '@/core/formats/problem'
import type { ExposureBand } from '@/core/rf/keepAway'

/** What a radio service allows. Null leaves a thing free. */
export interface ServiceRule {
  name: string
  fromMHz: number
  toMHz: number
  maxPowerW: number | null
  maxErpW: number | null
  maxAntennaHeightM: number | null
  /** Whether the antenna may be another than the radio's own. */
  externalAntenna: boolean
}

/** Rules of a region: an example to edit, never legal advice. */
export interface RuleSet {
  name: string
  note: string
  services: ServiceRule[]
  exposure: ExposureBand[]
}

const frequency = () =>
  yup
    .number()
    .min(0, 'must be 0 MHz or more')
    .max(300000, 'must be at most 300 000 MHz')
    .required('is missing')
const limit = () =>
  yup.number().moreThan(0, 'must be above 0, or null where there is no limit').nullable().default(null)

const band = <T extends Record<string, yup.AnySchema>>(fields: T) => ({
  fromMHz: frequency(),
  toMHz: frequency().moreThan(yup.ref('fromMHz'), 'must be above fromMHz'),
  ...fields,
})

const service = yup
  .object(
    band({
      name: yup.string().trim().required('is missing').max(80, 'must have at most 80 letters'),
      maxPowerW: limit(),
      maxErpW: limit(),
      maxAntennaHeightM: limit(),
      externalAntenna: yup.boolean().typeError('must be true or false').default(true),
    }),
  )
  .exact('has something unknown in it: ${properties}')

const exposure = yup
  .object(band({ limitWm2: limit(), perMHz: limit() }))
  .exact('has something unknown in it: ${properties}')
  .test('one', 'needs limitWm2 or perMHz', (v) => v.limitWm2 !== null || v.perMHz !== null)

/** The border of rule sets: form, action and file. */
export const ruleSetSchema = yup
  .object({
    name: yup.string().trim().required('is missing').max(80, 'must have at most 80 letters'),
    note: yup.string().trim().max(1000).default(''),
    services: yup
      .array(service.required())
      .max(60)
      .required('is missing')
      .min(1, 'must have at least one service'),
    exposure: yup.array(exposure.required()).max(60).default([]),
  })
  .exact('has something unknown in it: ${properties}')

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
  try {
    return good(ruleSetSchema.validateSync(raw, { abortEarly: false, strict: false }) as RuleSet)
  } catch (e) {
    if (!(e instanceof yup.ValidationError)) throw e
    const inner = e.inner.length > 0 ? e.inner : [e]
    return bad(
      ...inner.map((i) => {
        const where = i.path || 'file'
        return problem('rules', where, `${where} ${i.message.replace(`${i.path} `, '')}.`)
      }),
    )
  }
}

/** ICNIRP-like general-public limits, as examples: some regions differ. */
const EXPOSURE: ExposureBand[] = [
  { fromMHz: 30, toMHz: 400, limitWm2: 2, perMHz: null },
  { fromMHz: 400, toMHz: 2000, limitWm2: null, perMHz: 200 },
  { fromMHz: 2000, toMHz: 300000, limitWm2: 10, perMHz: null },
]

const NOTE = 'An example to edit, not legal advice. Check with the regulator of your own region.'

/** Rule sets that ship. */
export const EXAMPLE_RULE_SETS: readonly RuleSet[] = [
  {
    name: 'Region one, example',
    note: NOTE,
    services: [
      {
        name: 'Licence-free handheld, 446 MHz',
        fromMHz: 446,
        toMHz: 446.2,
        maxPowerW: null,
        maxErpW: 0.5,
        maxAntennaHeightM: null,
        externalAntenna: false,
      },
      {
        name: 'Short-range devices, 869 MHz',
        fromMHz: 869.4,
        toMHz: 869.65,
        maxPowerW: null,
        maxErpW: 0.5,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Citizens’ band, 27 MHz FM',
        fromMHz: 26.96,
        toMHz: 27.41,
        maxPowerW: 4,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Amateur, 2 m',
        fromMHz: 144,
        toMHz: 146,
        maxPowerW: 750,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Amateur, 70 cm',
        fromMHz: 430,
        toMHz: 440,
        maxPowerW: 750,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Event channel, UHF',
        fromMHz: 450,
        toMHz: 470,
        maxPowerW: 25,
        maxErpW: 50,
        maxAntennaHeightM: 10,
        externalAntenna: true,
      },
    ],
    exposure: EXPOSURE,
  },
  {
    name: 'Region two, example',
    note: NOTE,
    services: [
      {
        name: 'Licence-free family channels, 462 and 467 MHz',
        fromMHz: 462.5,
        toMHz: 467.8,
        maxPowerW: null,
        maxErpW: 2,
        maxAntennaHeightM: null,
        externalAntenna: false,
      },
      {
        name: 'General mobile channels, 462 and 467 MHz',
        fromMHz: 462.5,
        toMHz: 467.8,
        maxPowerW: 50,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Multi-use channels, 151 to 154 MHz',
        fromMHz: 151.8,
        toMHz: 154.65,
        maxPowerW: 2,
        maxErpW: null,
        maxAntennaHeightM: 18.3,
        externalAntenna: true,
      },
      {
        name: 'Citizens’ band, 27 MHz',
        fromMHz: 26.96,
        toMHz: 27.41,
        maxPowerW: 4,
        maxErpW: null,
        maxAntennaHeightM: 18.3,
        externalAntenna: true,
      },
      {
        name: 'Unlicensed data, 915 MHz',
        fromMHz: 902,
        toMHz: 928,
        maxPowerW: 1,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
      {
        name: 'Amateur, 2 m',
        fromMHz: 144,
        toMHz: 148,
        maxPowerW: 1500,
        maxErpW: null,
        maxAntennaHeightM: null,
        externalAntenna: true,
      },
    ],
    exposure: EXPOSURE,
  },
]
