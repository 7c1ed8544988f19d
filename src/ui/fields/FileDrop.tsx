'use client'

import dynamic from 'next/dynamic'
import type { FileDropProps } from './droppedFile'

/** The room that it takes, kept free until it is there. */
const Room = () => <div style={{ minHeight: 138, border: '2px dashed var(--rule)' }} />

/** A place to drop files on or to pick them; said beforehand: 64 MB each. It comes when the page stands. */
export const FileDrop = dynamic<FileDropProps>(() => import('./FileDropZone').then((m) => m.FileDropZone), {
  ssr: false,
  loading: Room,
})
