'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useSearchParams } from 'next/navigation'
import type { Answer } from '@/core/findings'
import type { Units } from '@/core/units'
import { CopyButton } from '@/ui/fields/CopyButton'
import { downloadText } from '@/ui/fields/downloadText'
import { LinkButton } from '@/ui/shell/LinkButton'
import { savePng } from '@/ui/figures/drawing'

interface Props {
  trialId: string
  answer: Answer
  looks: Record<string, number>
  units: Units
}

/** The ways to take the answer along: on paper, as a picture, as a drawing, as figures. */
export function AnswerActions({ trialId, answer, looks, units }: Props) {
  const query = useSearchParams().toString()
  const drawn = async () => {
    const { answerPicture } = await import('./answerPicture')
    const page = getComputedStyle(document.documentElement)
    return answerPicture(answer, looks, units, (name) => page.getPropertyValue(name).trim())
  }
  const asPng = async () => savePng(await drawn(), 'answer')
  const asSvg = async () => downloadText('answer.svg', await drawn(), 'image/svg+xml')
  return (
    <Box
      className="no-print"
      sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1.5, alignItems: 'center' }}
    >
      <LinkButton
        size="small"
        variant="outlined"
        href={`/trials/${trialId}/findings/summary${query ? `?${query}` : ''}`}
      >
        One page to print
      </LinkButton>
      <Button size="small" onClick={() => void asPng()}>
        Save as PNG
      </Button>
      <Button size="small" onClick={() => void asSvg()}>
        Save as SVG
      </Button>
      {answer.lines.length > 0 && (
        <CopyButton label="Copy as CSV" text={async () => (await import('./answerCsv')).answerCsv(answer)} />
      )}
    </Box>
  )
}
