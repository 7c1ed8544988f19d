import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import type { JudgedPair } from '@/core/findings'

interface Props {
  pairs: readonly JudgedPair[]
  at: number
  name: (id: string) => string
  onChange: (at: number) => void
}

/** Which two links are drawn; nothing where there is no choice. */
export function PairPicker({ pairs, at, name, onChange }: Props) {
  if (pairs.length < 2) return null
  return (
    <TextField
      select
      label="Which two"
      value={at}
      onChange={(e) => onChange(Number(e.target.value))}
      className="no-print"
      sx={{ minWidth: 300, maxWidth: '100%', mb: 1 }}
    >
      {pairs.map((p, i) => (
        <Option key={`${p.a} ${p.b}`} value={i}>
          {name(p.a)} against {name(p.b)}
        </Option>
      ))}
    </TextField>
  )
}
