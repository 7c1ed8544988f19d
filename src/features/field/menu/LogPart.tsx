'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { bodyOf, clashesOf, keyOf, nextRepeat } from '@/core/trial'
import { AsideList } from './AsideList'
import { KeptList } from './KeptList'
import { LogList } from './LogList'
import type { MenuProps } from './shared'

/** The log, and checks that two devices logged differently, to be settled. */
export function LogPart({ pack, handle, actions, onChosen, onClose }: MenuProps) {
  const { log, add } = handle
  const name = (id: string) => pack.plan.links.find((l) => l.id === id)?.name ?? 'another link'
  const mark = (id: string) => pack.plan.marks.find((m) => m.id === id)?.name ?? 'an added mark'
  return (
    <>
      {clashesOf(log).map(({ key, checks }) => (
        <Box
          key={key}
          role="group"
          aria-label="Two reports of one check"
          sx={{ borderLeft: '6px solid var(--accent)', pl: 1.5 }}
        >
          <b>
            {mark(checks[0]!.markId)}, {name(checks[0]!.linkId)}, {checks[0]!.direction}
          </b>
          : two devices say different things. Both are kept; which one counts?
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
            {checks.map((c) => (
              <Button
                key={c.id}
                variant="outlined"
                size="large"
                onClick={() => {
                  for (const other of checks)
                    if (other.id !== c.id)
                      void add({ kind: 'void', reason: `settled: ${c.text} counts` }, other.id)
                }}
              >
                {c.text} ({c.role})
              </Button>
            ))}
          </Box>
        </Box>
      ))}
      {handle.queue.aside.length > 0 && (
        <AsideList entries={handle.entries} aside={handle.queue.aside} onAgain={handle.tryAgain} />
      )}
      <KeptList plan={pack.plan} events={log.events} />
      <LogList
        plan={pack.plan}
        log={log}
        onVoid={(id, why) => add({ kind: 'void', reason: why }, id)}
        onRepeat={(check) => {
          const key = keyOf(check)
          const asked = { ...key, repeat: nextRepeat(pack.plan, log, key) }
          void actions
            .addEvent({ kind: 'repeat', key: asked }, `${name(key.linkId)} at ${mark(key.markId)}, once more`)
            .then(() => {
              onChosen(asked)
              onClose()
            })
        }}
        onEdit={(check, text, also) => {
          const { also: _old, ...body } = bodyOf(check)
          return add({ kind: 'check', ...body, text, ...(also === undefined ? {} : { also }) }, check.id)
        }}
      />
    </>
  )
}
