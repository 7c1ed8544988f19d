import type { PartKind } from '@/core/kit'

/** Our own line drawings of the kinds of part, on a field of 56 by 44. */
const DRAWINGS: Record<PartKind, string> = {
  radio: 'M20 8h16v32h-16z M24 13h8v7h-8z M24 26h8 M24 31h8 M32 8v-5',
  antenna: 'M28 42V10 M28 10l-9-7 M28 10l9-7 M22 42h12',
  lead: 'M2 22h6 M48 22h6 M8 22c10-22 14 22 20 0s10 22 20 0',
  adapter: 'M2 22h12 M14 14h14v16H14z M28 17h14v10H28z M42 22h12',
  attenuator: 'M2 22h8l4-9 7 18 7-18 7 18 7-18 4 9h8',
  protector: 'M2 22h14 M40 22h14 M16 12h24v20H16z M28 32v6 M21 38h14 M24 42h8 M30 15l-5 7h6l-5 7',
  switch: 'M2 22h14 M16 22l20-11 M40 11h14 M40 33h14',
  choke: 'M2 22h52 M18 10h20v24H18z M24 10v24 M32 10v24',
  transformer:
    'M2 12h16 M2 32h16 M18 12c8 0 8 6 0 6s8 8 0 8 8 6 0 6 M38 12c-8 0-8 6 0 6s-8 8 0 8-8 6 0 6 M38 12h16 M38 32h16 M28 8v28',
  radials: 'M28 8v16 M28 24L6 36 M28 24l22 12 M28 24L16 42 M28 24l12 18',
  'power feeder': 'M2 22h16 M38 22h16 M18 10h20v24H18z M29 13l-6 10h9l-6 9',
  mount: 'M28 4v22 M14 26h28 M18 26v8h20v-8 M22 34v6 M34 34v6',
  mast: 'M28 4v38 M18 42h20 M28 18l-14 22 M28 18l14 22',
  battery: 'M10 12h34v20H10z M44 18h4v8h-4z M17 22h8 M21 18v8 M31 22h8',
  other: 'M12 16h32v20H12z M20 16v-6h16v6 M12 24h32',
}

/** A radio that stands on something is a box with a dial. */
const STANDING_RADIO = 'M6 14h44v24H6z M12 20h16v8H12z M42 24a4 4 0 1 0 .1 0 M12 33h16 M44 14v-6'

export function PartGlyph({
  kind,
  standing = false,
  size = 56,
}: {
  kind: PartKind
  standing?: boolean
  size?: number
}) {
  return (
    <svg
      width={size}
      height={(size * 44) / 56}
      viewBox="0 0 56 44"
      aria-hidden="true"
      style={{ flexShrink: 0 }}
    >
      <path
        d={kind === 'radio' && standing ? STANDING_RADIO : DRAWINGS[kind]}
        fill="none"
        stroke="currentColor"
        strokeWidth="2.2"
        strokeLinejoin="round"
        strokeLinecap="round"
      />
    </svg>
  )
}
