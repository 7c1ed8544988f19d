import { wavelengthM } from './levels'

/** What an element is made of, for how much slower the wave runs along it than in air. */
export interface ElementStuff {
  id: string
  name: string
  velocityFactor: number
  why: string
}

export const ELEMENT_STUFF: readonly ElementStuff[] = [
  {
    id: 'thin',
    name: 'Bare thin rod or wire',
    velocityFactor: 0.97,
    why: 'the end effect alone: the field reaches past the end',
  },
  {
    id: 'thick',
    name: 'Bare thick rod or tube',
    velocityFactor: 0.95,
    why: 'the end effect, larger for a thick end',
  },
  {
    id: 'jacket',
    name: 'Wire in plastic',
    velocityFactor: 0.93,
    why: 'the end effect and the jacket; types differ, check by a sweep',
  },
  {
    id: 'sleeve',
    name: 'Sleeve over solid coax',
    velocityFactor: 0.66,
    why: 'inside the sleeve the wave runs as in the line',
  },
  {
    id: 'foam-sleeve',
    name: 'Sleeve over foam coax',
    velocityFactor: 0.8,
    why: 'inside the sleeve the wave runs as in the line',
  },
]

/** A usual length in waves, and what it needs to work. */
export interface Fraction {
  id: string
  name: string
  waves: number
  needs: string
  measureFrom: string
}

export const FRACTIONS: readonly Fraction[] = [
  {
    id: '1/4',
    name: 'Quarter wave',
    waves: 0.25,
    needs:
      'A ground plane or a counterpoise: the other half of the antenna is what stands under it. About 36 ohm over flat metal, near 50 with radials sloping down.',
    measureFrom:
      'From the top of the metal it stands on, or from where the radials meet, to the tip. Not from the end of the thread.',
  },
  {
    id: '1/2',
    name: 'Half wave',
    waves: 0.5,
    needs:
      'No ground plane. Fed at its end it needs a matching network (thousands of ohms); cut in the middle it is a dipole of some 70 ohm and wants a choke.',
    measureFrom: 'From tip to tip; fed at its end, from where the matching network ends.',
  },
  {
    id: '5/8',
    name: 'Five eighths',
    waves: 0.625,
    needs:
      'A ground plane and a matching coil at its foot. Over a wide ground it looks lower than a quarter wave; on a small one the pattern lifts and the gain is lost.',
    measureFrom: 'From the top of the matching coil to the tip. Trim with the coil in place.',
  },
  {
    id: '1',
    name: 'Full wave',
    waves: 1,
    needs:
      'A matching network, and a use: upright and fed at its end its pattern splits and lifts. As a loop it is about 100 ohm.',
    measureFrom: 'As a loop, once round from terminal to terminal; as a rod, from tip to tip.',
  },
]

/** What a counterpoise is for, in words. */
export const COUNTERPOISE_WORDS =
  'A quarter wave drives current into what stands under it. Where there is no metal, that current takes the radio, the lead and the hand, and the match moves when they do. One wire of a quarter wave hung from the connector’s shell gives it a place of its own; it changes match and gain, so a rig with one is another rig.'

/**
 * Length to cut, m: fraction · wavelength · velocity factor.
 * @param at.waves above 0
 * @param at.velocityFactor above 0 to 1
 * @throws RangeError otherwise
 * @example elementLengthM({ frequencyMHz: 460, waves: 0.25, velocityFactor: 0.95 }) // 0.1548
 */
export function elementLengthM(at: { frequencyMHz: number; waves: number; velocityFactor: number }): number {
  if (!(at.waves > 0)) throw new RangeError(`waves must be above 0, not ${at.waves}`)
  if (!(at.velocityFactor > 0 && at.velocityFactor <= 1))
    throw new RangeError(`velocityFactor must be above 0 and at most 1, not ${at.velocityFactor}`)
  return at.waves * wavelengthM(at.frequencyMHz) * at.velocityFactor
}

/** Lengths over a band, for a table: evenly spaced frequencies from edge to edge. @param steps 1 or more */
export function lengthsOverBand(at: {
  fromMHz: number
  toMHz: number
  steps: number
  velocityFactor: number
}): { frequencyMHz: number; lengthsM: { id: string; lengthM: number }[] }[] {
  return Array.from({ length: at.steps + 1 }, (_, i) => {
    const frequencyMHz = at.fromMHz + ((at.toMHz - at.fromMHz) * i) / at.steps
    return {
      frequencyMHz,
      lengthsM: FRACTIONS.map(({ id, waves }) => ({
        id,
        lengthM: elementLengthM({ frequencyMHz, waves, velocityFactor: at.velocityFactor }),
      })),
    }
  })
}
