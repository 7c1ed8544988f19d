import { settingFor } from '../budget/losses'
import type { KitCheck } from './problem'

/** Within this share of the chart's span a setting is taken for right. */
const NEAR_ENOUGH = 0.02

/** An antenna that can be set, and is not set for the channel. */
export const checkSetting: KitCheck = ({ port, portIndex, txMHz }) => {
  const placed = port.items[port.items.length - 1]
  if (!port.antenna || !placed || port.antenna.spec.setBy === null || port.antenna.spec.settings.length < 2)
    return []
  const { spec, name } = port.antenna
  const wanted = settingFor(spec, txMHz)
  const { setting, key } = placed.item
  if (wanted === null)
    return [
      {
        code: 'setting-off-chart',
        weight: 'costs',
        where: name,
        message: `Its chart does not reach ${txMHz} MHz.`,
        wayOut: 'Choose a frequency inside the chart, or sweep it there and add the point.',
        fix: null,
      },
    ]
  const values = spec.settings.map((s) => s.setting)
  const span = Math.max(...values) - Math.min(...values)
  const rounded = Number(wanted.toPrecision(4))
  if (setting !== null && Math.abs(setting - wanted) <= NEAR_ENOUGH * span) return []
  return [
    {
      code: 'not-set',
      weight: setting === null ? 'ask' : 'costs',
      where: name,
      message:
        setting === null
          ? `It has to be ${spec.setBy}, and the rig does not say how far.`
          : `It is ${spec.setBy} to ${setting} ${spec.settingUnit}; its chart says ${rounded} ${spec.settingUnit} for ${txMHz} MHz.`,
      wayOut: `Set it to ${rounded} ${spec.settingUnit}, then check by a sweep: charts are made over the maker’s ground, not yours.`,
      fix: { kind: 'set antenna', portIndex, key, setting: rounded },
    },
  ]
}
