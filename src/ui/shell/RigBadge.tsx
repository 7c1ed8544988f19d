import { rigLook } from '@/ui/theme/palette'

/** A rig's letter in its hue, with its line pattern under it. */
export function RigBadge({ letter, index, size = 26 }: { letter: string; index: number; size?: number }) {
  const look = rigLook(index)
  return (
    <svg
      width={size * (letter.length > 1 ? 1.5 : 1)}
      height={size + 6}
      viewBox={`0 0 ${letter.length > 1 ? 39 : 26} 32`}
      role="img"
      aria-label={`Rig ${letter}`}
      style={{ verticalAlign: 'middle', flexShrink: 0 }}
    >
      <rect width={letter.length > 1 ? 39 : 26} height="26" rx="3" fill={look.hue} />
      <text
        x={letter.length > 1 ? 19.5 : 13}
        y="19"
        textAnchor="middle"
        fontSize="17"
        fontWeight="700"
        fill="var(--paper)"
        fontFamily="inherit"
      >
        {letter}
      </text>
      <path
        d={`M0 30H${letter.length > 1 ? 39 : 26}`}
        stroke={look.hue}
        strokeWidth="3"
        strokeDasharray={look.dash || undefined}
      />
    </svg>
  )
}
