/** The sums, by the name in the address. */
export const SUMS = {
  db: { name: 'Read dB', lead: 'Type any one of them; the others follow.' },
  element: { name: 'Cut an element', lead: 'How long, where to measure from, and what it needs to work.' },
  endurance: {
    name: 'How long a battery lasts',
    lead: 'For a radio by its duty, or for a relay box of either kind.',
  },
  attenuator: {
    name: 'Pick an attenuator',
    lead: 'When everything is heard to the last mark: what brings the edge inside the ground that is there.',
  },
  people: { name: 'Distance to keep', lead: 'How far people should keep from an antenna, on the safe side.' },
} as const
export type Sum = keyof typeof SUMS

export const sumOf = (text: string | undefined): Sum => (text && text in SUMS ? (text as Sum) : 'db')
