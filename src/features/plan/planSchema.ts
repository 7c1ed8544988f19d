import { DIRECTIONS } from '@/core/kit'
import { copyRuleRecord } from '@/core/reports/copyRuleRecord'
import { scaleRecord } from '@/core/reports/scaleRecord'
import { figure, id, list, MAX_LETTERS, MAX_LINKS, oneOf, record, text } from '@/core/schema'
import { ORDER_SCHEMES, SURROUNDINGS, WAYS_OF_WORKING } from '@/core/trial'
import { secondQuantityRecord } from '@/core/trial/planRecord'
import { earStateList } from '@/core/trial/earStateRecord'

const distanceM = (above: string) => figure().moreThan(0, above).max(2e6).nullable().defined()

/** What the plan step edits, as the server takes it. */
export const planSchema = record({
  name: text(MAX_LETTERS.trialName).required('The trial needs a name'),
  question: text(MAX_LETTERS.question).default(''),
  way: oneOf(WAYS_OF_WORKING),
  directions: list(oneOf(DIRECTIONS), 3).min(1, 'Choose at least one direction').required(),
  scales: record({ base: scaleRecord, out: scaleRecord }).required(),
  copyRule: copyRuleRecord.required(),
  also: secondQuantityRecord.nullable().default(null),
  repeats: figure().integer().min(1, 'At least one').max(20, 'At most 20 repeats').required(),
  orderScheme: oneOf(ORDER_SCHEMES),
  orderSeed: figure().integer().min(0).max(2_000_000_000).required(),
  sameAs: list(text(MAX_LETTERS.line).required(), 40).required(),
  marginDb: figure().moreThan(0, 'The difference that matters must be above 0 dB').max(60).required(),
  surroundings: oneOf(SURROUNDINGS),
  earStates: earStateList
    .test(
      'lost',
      'One state by ear at least must mean that none of it is copied',
      (states) => !states || states.length === 0 || states.some((s) => s.means === 'lost'),
    )
    .test(
      'apart',
      'Two states by ear have the same name',
      (states) => !states || new Set(states.map((s) => s.name.toLowerCase())).size === states.length,
    )
    .required(),
  reliability: figure()
    .min(0.5, 'A reliability goes from 50 to 99 in a hundred')
    .max(0.99, 'A reliability goes from 50 to 99 in a hundred')
    .required(),
  needFloorM: distanceM('A needed distance must be above 0'),
  needCeilingM: distanceM('A distance not to be exceeded must be above 0').test(
    'above',
    'It must be copied to a nearer distance than it must not be heard beyond',
    function (v) {
      const floor = (this.parent as { needFloorM: number | null }).needFloorM
      return v == null || floor == null || v > floor
    },
  ),
  links: list(record({ baseRigId: id(), outRigId: id() }).required(), MAX_LINKS)
    .max(MAX_LINKS, 'At most eight links in one trial')
    .required(),
})
