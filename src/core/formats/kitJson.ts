import * as yup from 'yup'
import { hasStrangeNames } from '@/core/schema'
import { RIG_KINDS } from '@/core/kit/rig/rig'
import { type Outcome, bad, good, problem } from '@/core/outcome'

const height = yup.number().min(0.1, 'must be above 0 m').max(1000, 'must be at most 1000 m')
const power = yup.number().moreThan(0, 'must be above 0 W').max(5000, 'must be at most 5000 W')
const gain = yup.number().min(-60).max(60).nullable().default(null)
const loss = yup.number().min(0, 'must be 0 dB or more').max(60).nullable().default(null)

const rig = yup.object({
  letter: yup.string().max(2).optional(),
  name: yup.string().trim().required('is missing'),
  kind: yup
    .string()
    .oneOf([...RIG_KINDS])
    .optional(),
  powerW: power.required('is missing'),
  antennaHeightM: height.required('is missing'),
  antennaGainDbi: gain,
  leadLossDb: loss,
})

const listener = yup
  .object({
    /** dB of one S-unit of this listener's meter: a figure from 1 to 10, or "unknown" for 3 to 6. */
    sUnitDb: yup
      .mixed<number | 'unknown'>()
      .test(
        'step',
        'must be a number from 1 to 10, or "unknown"',
        (v) => v === undefined || v === 'unknown' || (typeof v === 'number' && v >= 1 && v <= 10),
      ),
    calibrated: yup.boolean().default(false),
  })
  .optional()
  .default(undefined)

const kit = yup.object({
  frequencyMHz: yup.number().min(0.1).max(300000).required('is missing'),
  base: rig
    .shape({
      lat: yup.number().min(-89).max(89).optional(),
      lon: yup.number().min(-180).max(180).optional(),
    })
    .required('is missing'),
  rigs: yup.array(rig.required()).min(1, 'has no rigs').required('is missing'),
  listeners: yup.object({ base: listener, out: listener }).optional().default(undefined),
})

/** What a kit file says of the base and the rigs. */
export type KitFile = yup.InferType<typeof kit>

/**
 * Reads a kit file: what is known of the base and of the rigs.
 * @param text JSON, as described in the README
 */
export function readKitJson(text: string): Outcome<KitFile> {
  let raw: unknown
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (e) {
    return bad(problem('not-json', 'file', `This is not JSON: ${(e as Error).message}.`))
  }
  if (hasStrangeNames(raw))
    return bad(problem('kit', 'file', 'It has names in it that no kit has, such as "constructor".'))
  try {
    const value = kit.validateSync(raw, { abortEarly: false, strict: false })
    const letters = value.rigs.flatMap((r) => (r.letter ? [r.letter] : []))
    const twice = letters.find((l, i) => letters.indexOf(l) !== i)
    if (twice)
      return bad(problem('letter-twice', 'rigs', `Two rigs have the letter ${twice}. Give each its own.`))
    const names = value.rigs.map((r) => r.name)
    const same = names.find((l, i) => names.indexOf(l) !== i)
    if (same)
      return bad(problem('name-twice', 'rigs', `Two rigs are named "${same}". Give each its own name.`))
    return good(value)
  } catch (e) {
    if (!(e instanceof yup.ValidationError)) throw e
    const inner = e.inner.length > 0 ? e.inner : [e]
    return bad(
      ...inner.map((i) =>
        problem('kit', i.path || 'file', `${i.path || 'the file'} ${i.message.replace(`${i.path} `, '')}.`),
      ),
    )
  }
}
