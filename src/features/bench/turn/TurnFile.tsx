'use client'

import { readTurnTable } from '@/core/formats/turnTable'
import { useAction } from '@/ui/answers/useAction'
import type { DroppedFile } from '@/ui/fields/droppedFile'
import { FileDrop } from '@/ui/fields/FileDrop'
import type { Turn } from './useTurn'

/** Readings of a turn out of a table. */
export function TurnFile({ turn }: { turn: Turn }) {
  const action = useAction()
  const read = ([file]: DroppedFile[]) => {
    if (!file) return
    void action.run(
      () => Promise.resolve(readTurnTable(file.text)),
      (readings) => turn.load(readings, 'file'),
    )
  }
  return (
    <>
      <FileDrop
        label="Readings from a file"
        hint="CSV: angle, level; more columns are more readings."
        accept=".csv,.tsv,.txt"
        onFiles={read}
        onTooLarge={() =>
          action.refuse({ code: 'too-large', where: 'file', message: 'It is larger than 64 MB.' })
        }
      />
      {action.refusal('This file was not read')}
    </>
  )
}
