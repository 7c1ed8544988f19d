import type { Scale } from '@/core/reports'

/** So many keys still stand side by side. */
const MOST_KEYS = 10

/** A key for each report that a scale has few of: its words, readabilities, counts; none where figures are typed. */
export function gradeKeys(scale: Scale): string[] {
  switch (scale.kind) {
    case 'words':
    case 'heard':
      return scale.words.filter((w) => w.step > 0).map((w) => w.words[0]!)
    case 'readability':
      return ['1', '2', '3', '4', '5']
    case 'count':
      return scale.total !== null && scale.total <= MOST_KEYS
        ? Array.from({ length: scale.total }, (_, i) => `${i + 1} of ${scale.total}`)
        : []
    default:
      return []
  }
}
