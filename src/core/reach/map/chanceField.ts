import { ends, type Direction, type Link } from '@/core/kit/rig/rig'
import { linkDoubtDb, towards } from '@/core/kit/rig/taken'
import { quickNormalCdf } from '@/core/stats/numeric/quickNormalCdf'
import { correcting, sharedShadow, type Correction } from '../correction/correction'
import { linkKey } from '../linkKey'
import { gainsDbm, isVertical, neededDbm, spreadBefore, type PredictionSettings } from '../predict'
import { offDraws, type MarginDraws, type OffAsk } from './jointDraws'
import { oneWays, type OneWay } from './oneWays'
import { Kept } from '@/core/kept'
import { lossField } from './lossField'
import {
  COARSEST,
  emptyField,
  fieldDistanceM,
  fieldPlace,
  fieldSide,
  refined,
  type Field,
  type MapRaster,
  type RasterGround,
} from './mapRaster'

/** Median margin over what is needed, and its doubt, at each place of a field. */
export interface MarginField {
  raster: MapRaster
  every: number
  /** With what the log taught, dB; NaN where the ground is not known. */
  marginDb: Float32Array
  /** How far the median of a place may be off, dB. */
  placeSdDb: Float32Array
  /** Spread from call to call, dB. */
  callSdDb: number
}

/** What the log knows of a place: 0 near what was logged, 1 between it, 2 the prediction alone. */
export const HOW = ['known', 'inferred', 'only the prediction'] as const

interface Learnt {
  db: Field
  sdDb: Field
}

/** Tells one correction from another. */
const said = ({ checks, marks, mean }: Correction) => `${checks} ${marks} ${mean[0]}`

/**
 * The map of one base's ground: losses and what the log taught are kept, so that a power, a reliability or another link
 * of the same heights costs little.
 */
export class ReachMapMaker {
  private readonly losses = new Kept<Field>(24)
  private readonly learnt = new Kept<Learnt>(16)
  private readonly hows = new Kept<Field>(1)
  private readonly patterns = new Kept<Field>(6)
  private readonly offs = new Kept<MarginDraws>(24)

  /** @param from the base that the map is about, where it is another than the log was made with */
  constructor(
    readonly ground: RasterGround,
    readonly from?: string,
  ) {}

  /** What the log knows of shadowing holds so far for this base. */
  private get share(): number {
    return sharedShadow(this.from !== undefined)
  }

  private loss(link: Link, frequencyMHz: number, settings: PredictionSettings, every: number): Field {
    const ends = { baseM: link.base.antennaHeightM, farM: link.out.antennaHeightM }
    const at = { frequencyMHz, ...ends, vertical: isVertical(link) }
    const { model, baseStands, farStands, k } = settings
    return this.losses.get(JSON.stringify([at, model, baseStands, farStands, k, every]), () =>
      lossField(this.ground, at, settings, every),
    )
  }

  private corrected(c: Correction, link: Link, direction: OneWay, { gains }: PredictionSettings): Learnt {
    const key = linkKey(link)
    const doubtDb = linkDoubtDb(link, gains)
    return this.learnt.get(`${key} ${direction} ${doubtDb} ${said(c)}`, () => {
      const [db, sdDb] = [emptyField(this.ground.raster, COARSEST), emptyField(this.ground.raster, COARSEST)]
      const at = correcting(c, key, direction, { share: this.share, doubtDb })
      for (let i = 0; i < db.values.length; i++) {
        const told = at(fieldPlace(db, i), fieldDistanceM(db, i))
        db.values[i] = told.db
        sdDb.values[i] = told.placeSdDb
      }
      return { db, sdDb }
    })
  }

  /** How each place is known, as an index of {@link HOW}; null before any check. */
  how(settings: PredictionSettings, every: number): Field | null {
    const c = settings.correction
    if (!c) return null
    const coarse = this.hows.get(said(c), () => {
      const field = emptyField(this.ground.raster, COARSEST)
      const at = correcting(c, '', 'to base', { share: this.share })
      for (let i = 0; i < field.values.length; i++) {
        const { how } = at(fieldPlace(field, i), fieldDistanceM(field, i))
        field.values[i] = HOW.indexOf(how)
      }
      return field
    })
    return refined(coarse, every)
  }

  /** What predictions at named places are off by, drawn once. */
  off(name: string, ask: OffAsk): MarginDraws {
    const { links, directions, correction, places, gains } = ask
    const key = [
      name,
      places.length,
      correction ? said(correction) : '',
      ...directions,
      ...links.map((l) => `${linkKey(l)} ${linkDoubtDb(l, gains)}`),
    ]
    return this.offs.get(key.join(' '), () => offDraws(ask))
  }

  /** What the base's antenna has less in each direction than where it points, dB; null where it has none. */
  private towards({ base }: Link, every: number): Field | null {
    // How it would stand somewhere else nobody said.
    const less = this.from === undefined ? towards(base) : null
    if (!less) return null
    return this.patterns.get(JSON.stringify([base.pattern, base.azimuthDeg, base.tiltDeg, every]), () => {
      const field = emptyField(this.ground.raster, every)
      const side = fieldSide(field.raster, every)
      const middle = (side - 1) / 2
      for (let i = 0; i < field.values.length; i++) {
        const [south, east] = [Math.floor(i / side) - middle, (i % side) - middle]
        field.values[i] = south === 0 && east === 0 ? 0 : less((Math.atan2(east, -south) * 180) / Math.PI)
      }
      return field
    })
  }

  /** Margins of one direction of a link. */
  margins(link: Link, direction: OneWay, settings: PredictionSettings, every: number): MarginField {
    const { sender, receiver } = ends(link, direction)
    const { values } = this.loss(link, sender.txMHz, settings, every)
    const over = gainsDbm(link, direction, settings) - neededDbm(receiver, sender.txMHz, settings)
    const less = this.towards(link, every)?.values
    const c = settings.correction
    const learnt = c ? this.corrected(c, link, direction, settings) : null
    const add = learnt && refined(learnt.db, every).values
    const marginDb = values.map((v, i) => over + (less?.[i] ?? 0) - v + (add?.[i] ?? 0))
    const placeSdDb = learnt
      ? refined(learnt.sdDb, every).values.slice()
      : new Float32Array(values.length).fill(spreadBefore(link, settings))
    return { raster: this.ground.raster, every, marginDb, placeSdDb, callSdDb: c?.callDb ?? 0 }
  }

  /** Chance of the agreed copy, 0 to 1, in all directions asked for: the worst of them; both at once for a loop. */
  chance(link: Link, directions: readonly Direction[], settings: PredictionSettings, every: number): Field {
    const ways = oneWays(directions).map((d) => this.margins(link, d, settings, every))
    const field = emptyField(this.ground.raster, every)
    const loop = directions.includes('loop')
    for (let i = 0; i < field.values.length; i++) {
      let [least, both] = [1, 1]
      for (const { marginDb, placeSdDb, callSdDb } of ways) {
        const chance = quickNormalCdf(marginDb[i]! / Math.hypot(placeSdDb[i]!, callSdDb))
        // The table of the normal knows no NaN.
        if (Number.isNaN(marginDb[i]!)) least = NaN
        else if (chance < least) least = chance
        both *= chance
      }
      field.values[i] = loop && !Number.isNaN(least) ? both : least
    }
    return field
  }
}
