/// <reference types="w3c-web-serial" />
'use client'

import { useEffect, useRef, useState } from 'react'
import { lineLink, type BytePort, type LineEnd, type LineLink } from './lineLink'

export interface Instrument {
  link: LineLink | null
  /** What it calls itself. */
  identity: string
  simulated: boolean
  busy: boolean
  /** What went wrong last; empty where nothing did. */
  problem: string
  open: (make: () => Promise<BytePort>, simulated: boolean) => Promise<void>
  openSerial: (baudRate: number) => Promise<void>
  close: () => void
  /** Runs something with the link; says what went wrong. @returns null where it did */
  with: <T>(work: (link: LineLink) => Promise<T>) => Promise<T | null>
}

const NO_SERIAL =
  'This browser cannot speak to a serial port. Chromium, Chrome or Edge can, on a computer; or read a file instead.'

const wordsOf = (e: unknown) => (e instanceof Error ? e.message : String(e))

const WAIT_MS = 3000

/**
 * An instrument on a line.
 * @param askWho what it is asked to say who it is
 * @param saidAll whether an answer to that is whole; its first line is, where left out
 */
export function useInstrument(
  askWho: string,
  end: LineEnd = '\n',
  saidAll?: (text: string) => boolean,
): Instrument {
  const [link, setLink] = useState<LineLink | null>(null)
  const [said, setSaid] = useState({ identity: '', simulated: false, problem: '' })
  const [busy, setBusy] = useState(false)
  const open_ = useRef<LineLink | null>(null)
  useEffect(() => () => void open_.current?.close(), [])

  const open: Instrument['open'] = async (make, simulated) => {
    setBusy(true)
    try {
      const made = lineLink(await make(), end)
      try {
        const identity = await made.ask(askWho, WAIT_MS, saidAll)
        open_.current = made
        setLink(made)
        setSaid({ identity: identity.split('\n')[0]!, simulated, problem: '' })
      } catch (e) {
        await made.close()
        throw e
      }
    } catch (e) {
      // Closing the browser's own list of ports is no trouble.
      const none = e instanceof DOMException && e.name === 'NotFoundError'
      setSaid((old) => ({ ...old, problem: none ? '' : wordsOf(e) }))
    } finally {
      setBusy(false)
    }
  }
  return {
    link,
    ...said,
    busy,
    open,
    openSerial: (baudRate) =>
      open(async () => {
        if (!('serial' in navigator)) throw new Error(NO_SERIAL)
        const port = await navigator.serial.requestPort()
        await port.open({ baudRate })
        return port as unknown as BytePort
      }, false),
    close: () => {
      void open_.current?.close()
      open_.current = null
      setLink(null)
      setSaid({ identity: '', simulated: false, problem: '' })
    },
    with: async (work) => {
      if (!link) return null
      setBusy(true)
      try {
        const made = await work(link)
        setSaid((old) => ({ ...old, problem: '' }))
        return made
      } catch (e) {
        setSaid((old) => ({ ...old, problem: wordsOf(e) }))
        return null
      } finally {
        setBusy(false)
      }
    },
  }
}
