// One of the workers of bench/coverage.ts: losses to the sides of a raster that it is given.
import { parentPort } from 'node:worker_threads'
import { USUAL_PREDICTION } from '../src/core/reach'
import { lossField } from '../src/core/reach/map/lossField'
import type { RasterGround } from '../src/core/reach/map/mapRaster'

/** What a worker is asked. */
export interface HalfAsk {
  raster: RasterGround['raster']
  heightsM: SharedArrayBuffer
  sides: number[]
  /** It writes here. */
  losses: SharedArrayBuffer
}

const ENDS = { frequencyMHz: 446, baseM: 10, farM: 1.5, vertical: true }

parentPort!.on('message', ({ raster, heightsM, sides, losses }: HalfAsk) => {
  const ground = { raster, heightsM: new Float32Array(heightsM), cover: null, kinds: [] }
  const settings = { ...USUAL_PREDICTION, baseStands: 'open', farStands: 'open' } as const
  const { values } = lossField(ground, ENDS, settings, 1, sides)
  const out = new Float32Array(losses)
  for (let i = 0; i < values.length; i++) if (!Number.isNaN(values[i]!)) out[i] = values[i]!
  parentPort!.postMessage('done')
})
