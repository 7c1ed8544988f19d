'use client'

import type { Scale } from '@/core/reports'
import type { ScheduledCheck } from '@/core/trial'
import { checkName } from '../actions/checkName'
import { ClipSheet } from '../sheet/ClipSheet'
import { GridSheet } from '../sheet/GridSheet'
import { KeyList } from '../sheet/KeyList'
import { FieldMenu } from '../menu/FieldMenu'
import type { MenuProps } from '../menu/shared'
import { RemarkSheet } from '../sheet/RemarkSheet'
import { RigSheet } from '../sheet/RigSheet'

/** What may lie over the field screen. */
export type SheetName = 'menu' | 'keys' | 'remark' | 'clip' | 'grid' | 'rig'

interface Props {
  sheet: SheetName
  scale: Scale | null
  open: readonly ScheduledCheck[]
  menu: MenuProps
}

/** The one sheet that is open. */
export function FieldSheets({ sheet, scale, open, menu }: Props) {
  const { pack, handle, actions, now, settings, sound, onSheet, onClose } = menu
  if (sheet === 'menu') return <FieldMenu {...menu} />
  if (sheet === 'keys' || !now || !scale) return <KeyList onClose={onClose} />
  if (sheet === 'remark')
    return (
      <RemarkSheet
        scale={scale}
        draft={actions.draft}
        onDraft={actions.setDraft}
        onClip={() => onSheet('clip')}
        onClose={onClose}
      />
    )
  if (sheet === 'rig')
    return (
      <RigSheet
        plan={pack.plan}
        log={handle.log}
        now={now}
        open={open}
        hidden={settings.role === 'base'}
        onChoose={menu.onChosen}
        onLost={(keys, words, reason) => void actions.addEvent({ kind: 'skip', keys, reason }, words)}
        onClose={onClose}
      />
    )
  if (sheet === 'clip')
    return (
      <ClipSheet
        about={checkName(pack.plan, handle.log, now)}
        sound={sound}
        onPhoto={(file) => actions.keepPhoto(file, now).then(menu.clips.send)}
        onClose={onClose}
      />
    )
  return (
    <GridSheet
      plan={pack.plan}
      open={open.filter((c) => c.markId === now.markId)}
      direction={now.direction}
      blind={settings.role === 'base' ? handle.log.blind : null}
      onLog={actions.logMany}
      onClose={onClose}
    />
  )
}
