import Box from '@mui/material/Box'
import { ImportDay } from '@/features/exchange/ImportDay'
import { TopLine } from '@/ui/shell'
import { readUnits } from '@/server/readUnits'

export default async function ImportPage() {
  const units = await readUnits()
  return (
    <>
      <TopLine units={units} />
      <Box component="main" sx={{ maxWidth: 1080, mx: 'auto', px: 2, py: 3 }}>
        <ImportDay units={units} />
      </Box>
    </>
  )
}
