// Does a rig that is copied at least as well as another at every mark ever get the shorter reach? npm run ahead [logs]
import { aheadBy, aheadEverywhere, DRAWS_ERR } from '../src/core/model/testing/ahead'
import { CALIBRATION, writeTable } from './table'

const logs = Number(process.argv[2] ?? 1000)
const shorter = Array.from({ length: logs }, (_, i) => aheadBy(aheadEverywhere(i + 1))).filter((lgs) =>
  lgs.some((lg) => lg < -DRAWS_ERR),
)
writeTable(
  CALIBRATION,
  'ahead',
  [
    'logs in which a link is reported at least as well as another at every mark',
    'of them it reaches less far in, by more than the draws err',
  ],
  [[String(logs), String(shorter.length)]],
)
