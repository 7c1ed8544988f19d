'use client'

import { useState } from 'react'
import { simulatedAnalyser, type OnTheLead, type SimulatedAnalyser } from '@/core/sim/bench'

const SEED = 17

/** What is put on the simulated analyser's lead, as one would by hand. */
export function useSimulated() {
  const [analyser] = useState<SimulatedAnalyser>(() => simulatedAnalyser(SEED))
  const [onLead, setOnLead] = useState<OnTheLead>('open')
  return {
    analyser,
    onLead,
    put: (what: OnTheLead) => {
      analyser.connect(what)
      setOnLead(what)
    },
  }
}
export type Simulated = ReturnType<typeof useSimulated>
