import type { MountSpec, Polarisation } from '@/core/kit'

interface Props {
  place: MountSpec['place'] | null
  mast: boolean
  polarisation: Polarisation | null
  tiltDeg: number | null
  azimuthDeg: number | null
}

/** Foot of the antenna on the small figure, by where it is carried. */
const FEET: Record<MountSpec['place'], [x: number, y: number]> = {
  hand: [74, 52],
  chest: [64, 72],
  belt: [70, 96],
  pack: [42, 62],
  'inside a car': [62, 92],
  'car roof': [62, 72],
  'car edge': [84, 76],
  clamp: [60, 34],
  bracket: [60, 60],
  tripod: [60, 70],
}

function Person() {
  return (
    <path
      d="M56 34a9 9 0 1 0 .1 0 M47 54h20v36H47z M50 90v40 M64 90v40 M47 58l-9 28 M67 58l8 14-1-16"
      fill="none"
      stroke="var(--ink)"
      strokeWidth="3"
      strokeLinejoin="round"
    />
  )
}
const Car = () => (
  <path
    d="M16 100h92v18H16z M30 100l10-24h44l14 24 M36 118a8 8 0 1 0 .1 0 M88 118a8 8 0 1 0 .1 0"
    fill="none"
    stroke="var(--ink)"
    strokeWidth="3"
    strokeLinejoin="round"
  />
)
const Mast = () => (
  <path
    d="M60 132V34 M60 70l-30 60 M60 70l30 60 M44 132h32"
    fill="none"
    stroke="var(--ink)"
    strokeWidth="3"
  />
)

/** Where the antenna is, and how it leans: a small figure. */
export function PoseFigure({ place, mast, polarisation, tiltDeg, azimuthDeg }: Props) {
  const where = place ?? 'hand'
  const [x, y] = mast ? [60, 34] : FEET[where]
  const lean = (tiltDeg ?? 0) + (polarisation === 'horizontal' ? 90 : polarisation === 'slant' ? 45 : 0)
  const car = where.includes('car')
  const label = `The antenna ${mast ? 'on a mast' : place ? `at: ${place}` : 'in the hand'}, ${polarisation ?? 'polarisation not said'}${tiltDeg ? `, tilted by ${tiltDeg} degrees` : ''}${azimuthDeg === null ? '' : `, pointing to ${azimuthDeg} degrees`}`
  return (
    <svg width="132" height="150" viewBox="0 0 132 150" role="img" aria-label={label}>
      <path d="M6 134H126" stroke="var(--soft)" strokeWidth="2" />
      {mast || where === 'clamp' || where === 'bracket' || where === 'tripod' ? (
        <Mast />
      ) : car ? (
        <Car />
      ) : (
        <Person />
      )}
      <g transform={`rotate(${lean} ${x} ${y})`}>
        <path d={`M${x} ${y}v-28`} stroke="var(--accent-fill)" strokeWidth="6" strokeLinecap="round" />
        <path d={`M${x} ${y}v-28`} stroke="var(--ink)" strokeWidth="1.5" />
        {polarisation === 'circular' && (
          <circle cx={x} cy={y - 14} r="10" fill="none" stroke="var(--accent)" strokeWidth="2" />
        )}
      </g>
      {azimuthDeg !== null && (
        <g transform={`translate(112 22) rotate(${azimuthDeg})`}>
          <circle r="13" fill="none" stroke="var(--soft)" />
          <path d="M0 10V-11M0 -11l-4 6M0 -11l4 6" stroke="var(--ink)" strokeWidth="2" fill="none" />
        </g>
      )}
    </svg>
  )
}
