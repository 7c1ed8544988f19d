import { MODELS } from '@/core/propagation'
import { SURROUNDINGS, type Surroundings } from '@/core/rf/noise'
import { dictionary, figure, oneOf, record } from '@/core/schema'
import { COVER_KINDS } from '@/core/terrain'

/** What antennas of unknown gain are taken for, by rig. */
const takenGains = dictionary(
  record({ dbi: figure().min(-60).max(40).required(), sdDb: figure().min(0).max(20).required() }).required(),
)

/** What a prediction takes for granted, as it comes in. */
export const predictionRecord = record({
  model: oneOf(MODELS),
  surroundings: oneOf(Object.keys(SURROUNDINGS) as Surroundings[]),
  baseStands: oneOf(COVER_KINDS),
  farStands: oneOf(COVER_KINDS),
  copyDb: figure().min(-20).max(60).required(),
  spreadDb: figure().min(1).max(20).required(),
  k: figure().min(0.3).max(10).required(),
  gains: takenGains.optional(),
})
