import { hostname, networkInterfaces } from 'node:os'

/** What this machine is called in its networks. */
export interface OwnNames {
  /** IPv4 addresses first, then IPv6 without brackets; not those that hold on one cable only. */
  addresses: string[]
  /** Its name, and its name as machines of one room call it. */
  hosts: string[]
}

export function ownNames(): OwnNames {
  const all = Object.values(networkInterfaces()).flatMap((i) => i ?? [])
  const outside = all.filter((i) => !i.internal && !(i.family === 'IPv6' && i.scopeid !== 0))
  const of = (family: string) =>
    outside.filter((i) => i.family === family).map((i) => i.address.toLowerCase())
  const name = hostname()
    .toLowerCase()
    .replace(/\.local$/, '')
  const usable = /^[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/.test(name) && name !== 'localhost'
  return {
    addresses: [...of('IPv4'), ...of('IPv6')],
    hosts: usable ? [...(name.includes('.') ? [] : [`${name}.local`]), name] : [],
  }
}

/** As they stand in an address: IPv6 in brackets. */
export const inAddress = (address: string) => (address.includes(':') ? `[${address}]` : address)
