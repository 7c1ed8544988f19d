// The fixed words of rigs and links.

export const RIG_KINDS = ['handheld', 'mobile', 'base', 'relay', 'other station'] as const
export type RigKind = (typeof RIG_KINDS)[number]

export const DIRECTIONS = ['to base', 'from base', 'loop'] as const
export type Direction = (typeof DIRECTIONS)[number]
/** Which way an attenuator at one end weakens: in the lead both, else what is sent there or what is received there. */
export const ATTENUATES = ['both ways', 'transmit', 'receive'] as const
export type Attenuates = (typeof ATTENUATES)[number]

export const LISTENERS = ['base', 'out'] as const
export type Listener = (typeof LISTENERS)[number]
