/** Kinds of battery with typical shares; a maker's own figures go before them. */
export const CHEMISTRIES = {
  'lithium ion': {
    usable: 0.9,
    at: [
      [-20, 0.6],
      [0, 0.85],
      [20, 1],
      [40, 1],
    ],
  },
  'lithium iron phosphate': {
    usable: 0.95,
    at: [
      [-20, 0.5],
      [0, 0.8],
      [20, 1],
      [40, 1],
    ],
  },
  lead: {
    usable: 0.5,
    at: [
      [-20, 0.5],
      [0, 0.75],
      [20, 1],
      [40, 1.05],
    ],
  },
  'nickel metal hydride': {
    usable: 0.9,
    at: [
      [-20, 0.4],
      [0, 0.8],
      [20, 1],
      [40, 0.95],
    ],
  },
} as const satisfies Record<string, { usable: number; at: readonly (readonly [number, number])[] }>
export type Chemistry = keyof typeof CHEMISTRIES
