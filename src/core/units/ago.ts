/**
 * How long ago, in a few words: "just now", "4 min ago", "3 h ago", "2 days ago".
 * @param then UTC, ISO 8601
 */
export function agoText(then: string, now: number): string {
  const s = Math.max(0, (now - Date.parse(then)) / 1000)
  if (s < 45) return 'just now'
  const [amount, unit] = s < 5400 ? [s / 60, 'min'] : s < 129_600 ? [s / 3600, 'h'] : [s / 86_400, 'days']
  return `${Math.max(1, Math.round(amount))} ${unit} ago`
}
