'use client'

import { CopyButton } from '@/ui/fields/CopyButton'

/** Copies a text that the server made. */
export function TextButton({ text, label }: { text: string; label: string }) {
  return <CopyButton text={() => text} label={label} />
}
