import { messageOf } from '@/core/outcome'
import { direct } from '@/core/geo'
import {
  EARTH_RADIUS_KM,
  freeSpaceLoss,
  hopElevationDeg,
  takeOffGainDbi,
  USUAL_LAYER_KM,
  type SkyAntenna,
} from '@/core/propagation'
import { ORDINARY_FIELD } from '@/core/sim'
import { seededRandom } from '@/core/stats'
import { addLegToTrial, addTrial, openTrial, placeBase, planInputOf, savePlan, type Db } from '@/data'
import { figuresRig } from './figuresRig'
import { makeRun } from './runs'
import { HARBOUR } from './trials'

const DIPOLE: SkyAntenna = { kind: 'horizontal dipole', heightM: 6, groundLossDb: 1 }
const VERTICAL: SkyAntenna = { kind: 'quarter-wave vertical', heightM: 0, groundLossDb: 2 }
const MHZ = 7.1
const LAYER_KM = USUAL_LAYER_KM
const STATIONS = 26

/** Slant way of one hop, km: up to the layer and down again. */
function hopKm(distanceKm: number): number {
  const [r, up] = [EARTH_RADIUS_KM, EARTH_RADIUS_KM + LAYER_KM]
  return 2 * Math.sqrt(r * r + up * up - 2 * r * up * Math.cos(distanceKm / (2 * r)))
}

/**
 * Two antennas of Race Control on short wave, by contacts with other stations at many distances: the one that
 * is better near by is not the better one far away.
 */
export function seedShortWave(db: Db): void {
  const rig = (letter: string, name: string, kind: 'base' | 'other station', heightM: number, note: string) =>
    figuresRig(db, {
      letter,
      name,
      kind,
      txMHz: MHZ,
      powerW: 50,
      antennaHeightM: heightM,
      leadLossDb: 0.6,
      note,
      mode: 'SSB',
      bandwidthKHz: 2.7,
    })
  const dipole = rig('J', 'Low dipole', 'base', 6, 'Half-wave wire between the harbour sheds, 6 m up')
  const vertical = rig('K', 'Quay vertical', 'base', 3, 'Quarter-wave rod on the quay with eight radials')
  const far = rig(
    'O',
    'Other stations',
    'other station',
    10,
    'Whoever answers: power, antenna and meter not known',
  )
  const trialId = addTrial(
    db,
    'Dipole or vertical on short wave',
    'Which of the harbour’s two wires should call home, and from what distance on?',
    41,
  )
  placeBase(db, trialId, 'Harbour, Race Control', HARBOUR)
  const random = seededRandom(404)
  const contacts = Array.from({ length: STATIONS }, (_, i) => {
    const distanceM = 90_000 * (2_600 / 90) ** (i / (STATIONS - 1)) * Math.exp(0.05 * random.normal())
    const place = direct(HARBOUR, 40 + 110 * random.uniform(), distanceM)
    return { name: `Contact ${String(i + 1).padStart(2, '0')}`, place, alongM: distanceM }
  })
  addLegToTrial(db, trialId, {
    name: 'Contacts',
    how: 'marks',
    bearingDeg: null,
    track: [HARBOUR, ...contacts.map((c) => c.place)],
    marks: contacts,
  })
  const open = openTrial(db, trialId)!
  const saved = savePlan(db, trialId, open.trial.revision, {
    ...planInputOf(open),
    sameAs: ['Same transceiver and power', 'Switched within one contact', 'Same operator'],
    surroundings: 'clear',
    links: [
      { baseRigId: dipole, outRigId: far },
      { baseRigId: vertical, outRigId: far },
    ],
  })
  if (!saved.ok) throw new Error(messageOf(saved))
  makeRun(db, trialId, {
    name: 'Forenoon on the quay',
    startedAt: '2026-05-10T08:05:00Z',
    field: {
      ...ORDINARY_FIELD,
      seed: 77,
      gainDbi: { [dipole]: 0, [vertical]: 0, [far]: 0 },
      groundLossDb: 14,
      extraSlopeDb: 0,
      overGround: (link, mark) => {
        const km = mark.distanceM / 1000
        const elevation = Math.max(0.6, hopElevationDeg(km, LAYER_KM) ?? 0.6)
        const antenna = link.base.id === dipole ? DIPOLE : VERTICAL
        return freeSpaceLoss(MHZ, hopKm(km)) - takeOffGainDbi(antenna, elevation, MHZ)
      },
      shadowDb: 5,
      shadowM: 1000,
      linkDb: 2.2,
      fadingDb: 3,
      thresholdDbm: -108,
      s9Dbm: -73,
      forgotten: 0.02,
      inWords: 0.05,
    },
    upTo: 1,
    end: { state: 'finished', reason: '' },
    note: 'Quiet band, no storms near',
  })
}
