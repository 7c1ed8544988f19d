import { useMemo, useState } from 'react'
import {
  basesOf,
  readKitJson,
  tableOfBase,
  unitOfColumn,
  type ColumnMatch,
  type DistanceUnit,
} from '@/core/formats'
import type { Listener } from '@/core/kit'
import type { Problem } from '@/core/outcome'
import type { Scale } from '@/core/reports'
import {
  guessedMatch,
  guessedScales,
  kitDraft,
  kitText,
  NO_FILES,
  openFiles,
  preview,
  type KitDraft,
  type NamedText,
  type OpenFiles,
} from './dayDraft'

/** The files with the rows of one base alone. */
function ofBase(of: OpenFiles, columns: ColumnMatch, chosen: string | null): OpenFiles {
  const { checks } = of
  return checks ? { ...of, checks: { ...checks, table: tableOfBase(checks.table, columns, chosen) } } : of
}

/** What a day is called by its file. */
const nameOf = (checks: { name: string } | null) =>
  checks?.name.replace(/(-checks)?\.\w+$/, '').replace(/[-_]/g, ' ') ?? ''

/** A day being put together from files: what was opened, what was chosen, and how every row is read by it. */
export function useDayDraft() {
  const [files, setFiles] = useState(NO_FILES)
  const [problems, setProblems] = useState<Problem[]>([])
  const [match, setMatch] = useState<ColumnMatch | null>(null)
  const [kit, setKit] = useState<KitDraft | null>(null)
  const [scales, setScales] = useState<Record<Listener, Scale> | null>(null)
  /** Who reported in bare digits, and has not been asked yet what they mean. */
  const [bare, setBare] = useState<Listener[]>([])
  const [chosenUnit, setChosenUnit] = useState<DistanceUnit | null>(null)
  const [doubtsMeant, setDoubtsMeant] = useState(false)
  const [confirmed, setConfirmed] = useState(false)
  /** Which base's rows are brought in, where the file has several. */
  const [base, setBase] = useState<string | null>(null)
  const [name, setName] = useState('')
  const [fixed, setFixed] = useState(true)
  const [without, setWithout] = useState(false)

  /** What hangs on the columns and on the base, made anew. */
  const begin = (of: OpenFiles, columns: ColumnMatch, chosen: string | null) => {
    const shown = ofBase(of, columns, chosen)
    setMatch(columns)
    setBase(chosen)
    setKit(kitDraft(shown, columns, chosen))
    return shown
  }
  const firstBase = (of: OpenFiles, columns: ColumnMatch) => {
    const bases = of.checks ? basesOf(of.checks.table, columns) : []
    return bases.find((b) => b.name === base)?.name ?? bases[0]?.name ?? null
  }
  const take = (texts: NamedText[]) => {
    const opened = openFiles(texts, files)
    setFiles(opened.files)
    setProblems(opened.problems)
    if (!opened.files.checks) return
    const columns =
      opened.files.checks === files.checks && match ? match : guessedMatch(opened.files.checks.table)
    const shown = begin(opened.files, columns, firstBase(opened.files, columns))
    const guessed = guessedScales(shown, columns)
    setScales(guessed.scales)
    setBare(guessed.bare)
    setChosenUnit(null)
    setDoubtsMeant(false)
    setConfirmed(false)
    // Until it is typed, a name follows its file.
    if (!name || name === nameOf(files.checks)) setName(nameOf(opened.files.checks))
  }
  const kitRead = useMemo(
    () => (kit ? readKitJson(kitText(kit, files.kit?.value.listeners)) : null),
    [kit, files.kit],
  )
  const rigNames = useMemo(() => kit?.rigs.map((r) => r.name) ?? [], [kit])
  const namedUnit = files.checks && match ? unitOfColumn(files.checks.table, match) : null
  const distancesIn = namedUnit ?? chosenUnit
  const rows = useMemo(
    () =>
      match && scales ? preview(ofBase(files, match, base), match, rigNames, scales, distancesIn) : null,
    [files, match, base, scales, rigNames, distancesIn],
  )
  const troubled = rows ? rows.problems.length + rows.unread.length : 0
  const ready =
    confirmed &&
    kitRead?.ok === true &&
    rows !== null &&
    rows.rows.length > 0 &&
    (troubled === 0 || without) &&
    (rows.doubts.length === 0 || doubtsMeant)
  /** What the server is asked to bring in; null while something is missing. */
  const request =
    files.checks && match && scales && kit
      ? {
          name,
          checksName: files.checks.name,
          checks: files.checks.text,
          gpx: files.gpx?.text ?? null,
          kit: kitText(kit, files.kit?.value.listeners),
          match,
          base,
          distancesIn: match.distance === null ? null : distancesIn,
          scales,
          fixedBeforehand: fixed,
          withoutBadRows: without,
        }
      : null
  return {
    take,
    files,
    problems,
    refuse: setProblems,
    match,
    matchColumns: (columns: ColumnMatch) => void begin(files, columns, firstBase(files, columns)),
    /** The bases of the file, and the one whose rows are brought in. */
    bases: files.checks && match ? basesOf(files.checks.table, match) : [],
    base,
    chooseBase: (chosen: string) => {
      if (match) begin(files, match, chosen)
      setName(chosen)
      setConfirmed(false)
    },
    kit,
    setKit,
    kitRead,
    scales,
    bare,
    meant: (changed: Record<Listener, Scale>, by: Listener) => {
      setScales(changed)
      setBare(bare.filter((l) => l !== by))
    },
    confirmed,
    setConfirmed,
    /** Whether the heading says what distances are in, and what was chosen where it does not. */
    unitNamed: namedUnit !== null,
    chosenUnit,
    setChosenUnit,
    rows,
    without,
    setWithout,
    doubtsMeant,
    setDoubtsMeant,
    name,
    setName,
    fixed,
    setFixed,
    ready,
    request,
  }
}
