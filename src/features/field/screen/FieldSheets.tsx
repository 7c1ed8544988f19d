'use client'

import type { Scale } from '@/core/reports'
import type { ScheduledCheck } from '@/core/trial'
import { checkName } from '../actions/checkName'
import { ClipSheet } from '../sheet/ClipSheet'
import { GridSheet } from '../sheet/GridSheet'
import { KeyList } from '../sheet/KeyList'
import { FieldMenu } from '../menu/FieldMenu'
import { keptDraft, shownDraft, type SecondFigure } from '../pad/draft'
import type { MenuProps } from '../menu/shared'
import { RemarkSheet } from '../sheet/RemarkSheet'
import { RigSheet } from '../sheet/RigSheet'

/** What may lie over the field screen. */
export type SheetName = 'menu' | 'keys' | 'remark' | 'clip' | 'grid' | 'rig' | 'why' | 'others'

interface Props {
  sheet: SheetName
  scale: Scale | null
  also: SecondFigure | null
  open: readonly ScheduledCheck[]
  menu: MenuProps
}

/** The one sheet that is open. */
export function FieldSheets({ sheet, scale, also, open, menu }: Props) {
  const { pack, handle, actions, now, settings, sound, onSheet, onClose } = menu
  if (sheet === 'menu') return <FieldMenu {...menu} />
  if (sheet === 'why' || sheet === 'others') return <FieldMenu {...menu} first={sheet} />
  if (sheet === 'keys' || !now || !scale) return <KeyList onClose={onClose} />
  if (sheet === 'remark')
    return (
      <RemarkSheet
        scale={also && actions.draft.at === 'second' ? also.scale : scale}
        draft={shownDraft(actions.draft)}
        onDraft={(d) => actions.setDraft(keptDraft(actions.draft, d))}
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
        hidden={settings.role === 'base' && !settings.alone}
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
      blind={settings.role === 'base' && !settings.alone ? handle.log.blind : null}
      onLog={actions.logMany}
      onClose={onClose}
    />
  )
}
