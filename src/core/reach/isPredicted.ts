import type { Link } from '@/core/kit/rig/rig'

/** Below this the ground wave and the sky rule, MHz, and nothing here predicts a level to count on. */
const MIN_PREDICTED_MHZ = 30

/** Whether levels of a link are predicted at all. */
export const isPredicted = (link: Link) => Math.min(link.out.txMHz, link.base.txMHz) >= MIN_PREDICTED_MHZ
