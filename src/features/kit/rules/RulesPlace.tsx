'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { problem } from '@/core/outcome'
import { wattText, writeRuleSet, type ServiceRule } from '@/core/kit'
import { fileNameOf } from '@/core/trial/runFileName'
import { heightText, type Units } from '@/core/units'
import type { ChosenService } from '@/data/schema'
import type { RuleSetRow } from '@/data/ruleSets'
import { FileDrop } from '@/ui/fields/FileDrop'
import { useAction } from '@/ui/answers/useAction'
import { PageHead } from '@/ui/shell'
import { downloadText } from '@/ui/fields/downloadText'
import { chooseService, copyRuleSet, importRuleSet, removeRuleSet, restoreExamples } from './actions'
import { RuleSetForm } from './RuleSetForm'

interface Props {
  trialId: string
  rows: RuleSetRow[]
  chosen: ChosenService | null
  units: Units
}

function limits(s: ServiceRule, units: Units): string {
  return (
    [
      s.maxPowerW !== null && `power to ${wattText(s.maxPowerW)}`,
      s.maxErpW !== null && `ERP to ${wattText(s.maxErpW)}`,
      s.maxAntennaHeightM !== null && `antenna to ${heightText(s.maxAntennaHeightM, units)}`,
      !s.externalAntenna && 'only its own antenna',
    ]
      .filter(Boolean)
      .join(', ') || 'no limit entered'
  )
}

interface PartProps {
  row: RuleSetRow
  units: Units
  editing: boolean
  onEdit: (on: boolean) => void
  onCopy: () => void
  onDelete: () => void
}

/** One rule set: its services and limits, or the form to change them. */
function RuleSetPart({ row, units, editing, onEdit, onCopy, onDelete }: PartProps) {
  return (
    <Box
      component="section"
      aria-label={row.body.name}
      sx={{ borderTop: '2px solid var(--ink)', pt: 1, mb: 3 }}
    >
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <Typography variant="h2" component="h2" sx={{ mr: 'auto' }}>
          {row.body.name}
        </Typography>
        <Button size="small" onClick={() => onEdit(!editing)} aria-label={`Change ${row.body.name}`}>
          Change
        </Button>
        <Button size="small" aria-label={`Copy ${row.body.name}`} onClick={onCopy}>
          Copy
        </Button>
        <Button
          size="small"
          aria-label={`Save ${row.body.name} as a file`}
          onClick={() =>
            downloadText(
              `${fileNameOf(row.body.name, 'rules')}.json`,
              writeRuleSet(row.body),
              'application/json',
            )
          }
        >
          As a file
        </Button>
        <Button size="small" aria-label={`Delete ${row.body.name}`} onClick={onDelete}>
          Delete
        </Button>
      </Box>
      {row.body.note && <Box sx={{ color: 'var(--soft)' }}>{row.body.note}</Box>}
      {editing ? (
        <RuleSetForm
          key={`${row.id} ${row.revision}`}
          id={row.id}
          revision={row.revision}
          rules={row.body}
          onDone={() => onEdit(false)}
        />
      ) : (
        <Box
          component="ul"
          sx={{ m: 0, mt: 1, pl: 0, listStyle: 'none', columnCount: { xs: 1, md: 2 }, columnGap: 5 }}
        >
          {row.body.services.map((s) => (
            <Box component="li" key={s.name} sx={{ breakInside: 'avoid', py: 0.5 }}>
              <b>{s.name}</b>
              <Box sx={{ color: 'var(--soft)', fontSize: '0.9rem' }}>
                {s.fromMHz} to {s.toMHz} MHz: {limits(s, units)}
              </Box>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  )
}

/** The rules that a trial keeps to: chosen, edited, taken in and given out. */
export function RulesPlace({ trialId, rows, chosen, units }: Props) {
  const action = useAction()
  const [editing, setEditing] = useState<string | null>(null)
  const key = (c: ChosenService | null) => (c ? `${c.ruleSetId}|${c.service}` : '')
  const choose = async (value: string) => {
    const [ruleSetId, ...service] = value.split('|')
    const wanted = value ? { ruleSetId: ruleSetId!, service: service.join('|') } : null
    await action.run(() => chooseService(trialId, wanted))
  }
  const take = async ([file]: { name: string; text: string }[]) => {
    if (!file) return
    const outcome = await action.run(() => importRuleSet(file.text))
    if (!outcome.ok)
      action.refuse(...outcome.problems.map((p) => ({ ...p, where: `${file.name}, ${p.where}` })))
  }
  const known = rows.some(
    (r) => r.id === chosen?.ruleSetId && r.body.services.some((s) => s.name === chosen.service),
  )
  return (
    <>
      <PageHead
        title="Rules"
        lead="What the radio service allows. Rigs of this trial are held against the one chosen. Those that ship are examples to edit, not legal advice: the regulator of your own region decides."
      />
      <TextField
        select
        label="This trial keeps to"
        value={known ? key(chosen) : ''}
        onChange={(e) => void choose(e.target.value)}
        sx={{ width: '100%', maxWidth: 560, mb: 2 }}
      >
        <Option value="">no rules</Option>
        {rows.flatMap((r) =>
          r.body.services.map((s) => (
            <Option key={`${r.id}|${s.name}`} value={`${r.id}|${s.name}`}>
              {s.name} ({r.body.name})
            </Option>
          )),
        )}
      </TextField>
      {action.refusal('Nothing was changed')}
      {rows.map((row) => (
        <RuleSetPart
          key={row.id}
          row={row}
          units={units}
          editing={editing === row.id}
          onEdit={(on) => setEditing(on ? row.id : null)}
          onCopy={() => void action.run(() => copyRuleSet(row.id))}
          onDelete={() => void action.run(() => removeRuleSet(row.id))}
        />
      ))}
      {rows.length === 0 && (
        <Button variant="outlined" onClick={() => void action.run(restoreExamples)} sx={{ mb: 2 }}>
          Put the examples back
        </Button>
      )}
      <FileDrop
        label="Take in rules from a file"
        hint="JSON as it was saved here."
        accept=".json,application/json"
        onFiles={(f) => void take(f)}
        onTooLarge={(n) => action.refuse(problem('large', n, 'It is larger than 64 MB.'))}
      />
    </>
  )
}
