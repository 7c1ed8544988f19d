'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useRouter } from 'next/navigation'
import { refuse, DONE } from '@/core/outcome'
import { useAction } from '@/ui/answers/useAction'

/** Puts the finished examples in beside one's own trials, or takes them out again with all they brought. */
export function Examples({ there }: { there: boolean }) {
  const router = useRouter()
  const action = useAction()
  const ask = () =>
    action.run(
      async () => {
        const answer = await fetch('/api/examples', { method: there ? 'DELETE' : 'POST' })
        return answer.ok ? DONE : refuse(await answer.text())
      },
      () => router.refresh(),
    )
  return (
    <Box>
      <Button variant="outlined" onClick={() => void ask()} disabled={action.busy}>
        {action.busy ? 'One moment…' : there ? 'Take the examples out' : 'Look at finished examples'}
      </Button>
      {action.refusal('Nothing was changed', 'Examples')}
    </Box>
  )
}
