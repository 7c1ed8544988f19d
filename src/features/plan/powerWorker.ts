import { guarded } from '@/ui/answers/guarded'
import type { PowerApi } from '@/workers/power'

/** A worker of its own that tries plans. */
export const powerWorker = () =>
  guarded<PowerApi>(new Worker(new URL('../../workers/power.ts', import.meta.url), { type: 'module' }))
