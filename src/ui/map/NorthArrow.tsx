/** North is up on this map. */
export function NorthArrow() {
  return (
    <svg
      width="34"
      height="46"
      viewBox="0 0 34 46"
      aria-label="North is up"
      role="img"
      style={{ position: 'absolute', right: 12, top: 12, pointerEvents: 'none' }}
    >
      <path d="M17 4L26 30L17 24L8 30Z" fill="var(--raised)" stroke="var(--ink)" strokeWidth="2" />
      <path d="M17 4L26 30L17 24Z" fill="var(--ink)" />
      <text x="17" y="44" textAnchor="middle" fontSize="13" fontWeight="700" fill="var(--ink)">
        N
      </text>
    </svg>
  )
}
