import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { UNSET, type SetOnMap } from './asSet'

/** Says that sliders were drawn, and takes it back. */
export function NotAsInKit({ set, links, onReset }: { set: SetOnMap; links: number; onReset: () => void }) {
  if (JSON.stringify(set) === JSON.stringify(UNSET)) return null
  return (
    <Box sx={{ mb: 2 }}>
      <b>Not as in the kit: </b>
      what the sliders say stands for {links > 1 ? 'both links' : 'the link'}.{' '}
      <Button size="small" onClick={onReset}>
        As in the kit again
      </Button>
    </Box>
  )
}
