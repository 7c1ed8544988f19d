import * as yup from 'yup'
import type { Scale } from '@/core/reports'
import { ORDER_SCHEMES } from '@/core/trial'

const KINDS = [
  'readability-strength',
  'readability',
  'strength',
  'level',
  'bare',
  'count',
  'words',
  'heard',
  'comparative',
  'rate',
]

const scale = () =>
  yup
    .mixed<Scale>((v): v is Scale => typeof v === 'object' && v !== null && KINDS.includes((v as Scale).kind))
    .required('A listener has no scale')
    .test('steps', 'The list of words needs at least two steps: not heard, and one more', (s) =>
      s.kind === 'words' ? s.words.length >= 2 : true,
    )
    .test('step', 'A measured S-unit must be from 1 to 10 dB', (s) =>
      s.kind === 'readability-strength' || s.kind === 'strength'
        ? s.strength.stepDb === null || (s.strength.stepDb >= 1 && s.strength.stepDb <= 10)
        : true,
    )

export const copyRuleSchema = yup.object({
  minReadability: yup.number().integer().min(1).max(5).nullable().default(null),
  maxCalls: yup.number().integer().min(1).max(99).required(),
  minLevel: yup.number().min(-200).max(100).nullable().default(null),
  minShare: yup.number().min(0).max(1).nullable().default(null),
})

export const planSchema = yup.object({
  name: yup.string().trim().required('The trial needs a name').max(80),
  question: yup.string().trim().max(300).default(''),
  directions: yup
    .array(
      yup
        .string()
        .oneOf(['to base', 'from base', 'loop'] as const)
        .required(),
    )
    .min(1, 'Choose at least one direction')
    .required(),
  scales: yup.object({ base: scale(), out: scale() }).required(),
  copyRule: copyRuleSchema.required(),
  repeats: yup.number().integer().min(1, 'At least one').max(20, 'At most 20 repeats').required(),
  orderScheme: yup.string().oneOf(ORDER_SCHEMES).required(),
  orderSeed: yup.number().integer().min(0).max(2_000_000_000).required(),
  sameAs: yup.array(yup.string().trim().required().max(120)).max(40).required(),
  marginDb: yup.number().moreThan(0, 'The difference that matters must be above 0 dB').max(60).required(),
  surroundings: yup
    .string()
    .oneOf(['clear', 'cluttered', 'mixed'] as const)
    .required(),
  earStates: yup
    .array(
      yup
        .object({
          name: yup.string().trim().required('Each state by ear needs a name').max(40),
          means: yup
            .string()
            .oneOf(['clear', 'broken', 'lost'] as const)
            .required(),
        })
        .required(),
    )
    .max(8)
    .test(
      'lost',
      'One state by ear at least must mean that none of it is copied',
      (list) => !list || list.length === 0 || list.some((s) => s.means === 'lost'),
    )
    .test(
      'apart',
      'Two states by ear have the same name',
      (list) => !list || new Set(list.map((s) => s.name.toLowerCase())).size === list.length,
    )
    .required(),
  reliability: yup
    .number()
    .min(0.5, 'A reliability goes from 50 to 99 in a hundred')
    .max(0.99, 'A reliability goes from 50 to 99 in a hundred')
    .required(),
  needFloorM: yup
    .number()
    .moreThan(0, 'A needed distance must be above nought')
    .max(2e6)
    .nullable()
    .defined(),
  needCeilingM: yup
    .number()
    .moreThan(0, 'A distance not to be exceeded must be above nought')
    .max(2e6)
    .nullable()
    .defined()
    .test('above', 'It must be copied to a nearer distance than it must not be heard beyond', function (v) {
      const floor = (this.parent as { needFloorM: number | null }).needFloorM
      return v == null || floor == null || v > floor
    }),
  links: yup
    .array(yup.object({ baseRigId: yup.string().required(), outRigId: yup.string().required() }).required())
    .max(8, 'At most eight links in one trial')
    .required(),
})
