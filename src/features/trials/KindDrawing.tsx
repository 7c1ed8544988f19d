import type { ReactNode } from 'react'
import type { QuestionKind } from '@/core/trial'

const mast = (x: number, top: number, foot = 40) => (
  <>
    <line x1={x} y1={foot} x2={x} y2={top} />
    <line x1={x - 5} y1={top - 3} x2={x + 5} y2={top - 3} />
    <line x1={x} y1={top} x2={x} y2={top - 5} />
  </>
)
const ground = <line x1="2" y1="40" x2="94" y2="40" />
const marks = (at: readonly number[]) => at.map((x) => <line key={x} x1={x} y1="37" x2={x} y2="43" />)
const post = (x: number, top: number, dashed = false) => (
  <g key={`${x} ${dashed}`} strokeDasharray={dashed ? '3 2.5' : undefined}>
    <line x1={x} y1="40" x2={x} y2={top} />
    <circle cx={x} cy={top - 2.5} r="2.5" fill={dashed ? 'none' : 'currentColor'} />
  </g>
)
const ring = (x: number, y = 36) => <circle key={x} cx={x} cy={y} r="3" />

/** What each kind does, with the marks of the reach strip: posts are heard, rings are not. */
const DRAWN: Record<QuestionKind, ReactNode> = {
  antennas: (
    <>
      {ground}
      {mast(10, 14)}
      {[
        [26, 18, 12],
        [46, 24, 16],
        [66, 33, 22],
      ].map(([x, a, b]) => (
        <g key={x}>
          {post(x!, a!, true)}
          {post(x! + 7, b!)}
        </g>
      ))}
      {ring(84)}
    </>
  ),
  'one rig': (
    <>
      {ground}
      {mast(10, 14)}
      {post(28, 14)}
      {post(46, 20)}
      {post(64, 29)}
      {ring(82)}
    </>
  ),
  'height or power': (
    <>
      {ground}
      <g strokeDasharray="3 2.5">{mast(14, 26)}</g>
      {mast(30, 8)}
      <path d="M44 30 Q62 24 74 38" strokeDasharray="3 2.5" />
      <path d="M44 14 Q76 14 90 38" />
    </>
  ),
  'base then car': (
    <>
      {ground}
      {mast(10, 28)}
      <path d="M20 34 h16 v-8 h16 v-8 h16 v-8 h16" />
      <path d="M76 40 v-5 h3 l3 -5 h8 l2 5 h2 v5" />
    </>
  ),
  'one place': (
    <>
      {ground}
      <rect x="8" y="28" width="20" height="12" />
      <line x1="28" y1="34" x2="40" y2="34" />
      <path d="M40 30 v8 M40 31.500 h4 M40 36.500 h4" />
      <path d="M52 34 h8" strokeDasharray="3 2.5" />
      <path d="M60 40 h6 v-22 h6 v22 h6 v-22 h6 v22 h6" />
    </>
  ),
  edge: (
    <>
      {ground}
      {mast(10, 14)}
      <path d="M20 34 h44" strokeDasharray="3 2.5" />
      <path d="M64 40 v-18 l8 4 l-8 4" />
      <path d="M80 40 v-26 l8 4 l-8 4" />
    </>
  ),
  site: (
    <>
      <path d="M2 40 L26 40 L50 14 L74 40 L94 40" />
      {mast(50, 4, 14)}
      <path d="M8 34 Q24 30 44 8 M56 8 Q72 30 90 34" strokeDasharray="3 2.5" />
    </>
  ),
  'short wave': (
    <>
      <path d="M2 40 Q48 30 94 40" />
      <path d="M10 36 L30 8 L48 34 L66 8 L86 36" />
      <path d="M2 6 Q48 -4 94 6" strokeDasharray="3 2.5" />
    </>
  ),
  'by ear': (
    <>
      {ground}
      <path d="M8 28 h30" strokeWidth="5" />
      <path d="M40 28 h22" strokeWidth="5" strokeDasharray="3 3" />
      <circle cx="70" cy="28" r="3" />
      <path d="M78 28 h14" strokeWidth="5" />
    </>
  ),
  matrix: (
    <>
      <path d="M24 6 h66 v34 h-66 z M46 6 v34 M68 6 v34 M24 23 h66" />
      <path d="M35 18 v-6 M57 18 v-9 M79 18 v-4 M35 36 v-8 M57 36 v-10 M79 36 v-5" strokeWidth="4" />
      {mast(10, 14)}
    </>
  ),
  open: (
    <>
      {ground}
      {marks([22, 40, 58, 76])}
      <path d="M10 24 h76" strokeDasharray="3 2.5" />
    </>
  ),
}

/** A small drawing of a kind of question. */
export function KindDrawing({ kind }: { kind: QuestionKind }) {
  return (
    <svg
      viewBox="0 0 96 46"
      width="96"
      height="46"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      strokeLinejoin="round"
    >
      {DRAWN[kind]}
    </svg>
  )
}
