import type { OnTheWayProps } from './onTheWayProps'
import { PadButton } from '../pad/PadButton'

/** The two keys that every screen on the way has, side by side. */
export function UndoMore({ actions, ready, onMore }: Pick<OnTheWayProps, 'actions' | 'ready' | 'onMore'>) {
  return (
    <>
      <PadButton disabled={!ready || !actions.canUndo} onClick={() => void actions.undo()}>
        Undo
      </PadButton>
      <PadButton onClick={onMore}>More</PadButton>
    </>
  )
}
