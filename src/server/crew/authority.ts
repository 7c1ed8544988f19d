import 'reflect-metadata'
import { createHash, webcrypto, X509Certificate as NodeCertificate } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { BlockList, isIPv4 } from 'node:net'
import { join } from 'node:path'
import { AsnConvert } from '@peculiar/asn1-schema'
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509'
import * as x509 from '@peculiar/x509'
import type { OwnNames } from './ownNames'

x509.cryptoProvider.set(webcrypto as unknown as Crypto)

const KEYS = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const
const DAY_MS = 24 * 3_600_000
const AUTHORITY_DAYS = 3650
/** What browsers take at most. */
const SERVER_DAYS = 397
/** Renewed this long before it ends. */
const RENEW_DAYS = 30

const familyOf = (address: string) => (isIPv4(address) ? 'ipv4' : 'ipv6')

/** Addresses of rooms and homes: all that the authority can ever speak for, beside the machine's own. */
const PRIVATE: readonly [string, number][] = [
  ['10.0.0.0', 8],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
  ['169.254.0.0', 16],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['fc00::', 7],
  ['fe80::', 10],
]

/** What other devices know this machine by. */
export interface Credentials {
  /** PEM. */
  key: string
  cert: string
  authority: string
  /** SHA-256 of the authority's certificate, "AB:CD:…", as every system shows it. */
  fingerprint: string
  /** When the server's own certificate ends, ms. */
  endsAt: number
}

/** The authority speaks for machines of this room alone: who got hold of its key could not stand in for the world. */
function constraints({ addresses, hosts }: OwnNames): x509.Extension {
  const ranges = [...PRIVATE, ...addresses.map((a): [string, number] => [a, isIPv4(a) ? 32 : 128])]
  const subtree = (base: GeneralName) => new GeneralSubtree({ base, minimum: 0 })
  const permitted = new GeneralSubtrees([
    ...['local', 'localhost', ...hosts].map((dNSName) => subtree(new GeneralName({ dNSName }))),
    ...ranges.map(([address, bits]) => subtree(new GeneralName({ iPAddress: `${address}/${bits}` }))),
  ])
  return new x509.Extension(
    id_ce_nameConstraints,
    false,
    AsnConvert.serialize(new NameConstraints({ permittedSubtrees: permitted })),
  )
}

const serial = () => Buffer.from(webcrypto.getRandomValues(new Uint8Array(15))).toString('hex')

const pem = async (key: CryptoKey) =>
  x509.PemConverter.encode(
    await webcrypto.subtle.exportKey('pkcs8', key as webcrypto.CryptoKey),
    'PRIVATE KEY',
  )

const keyOf = async (text: string) =>
  (await webcrypto.subtle.importKey('pkcs8', x509.PemConverter.decodeFirst(text), KEYS, true, [
    'sign',
  ])) as CryptoKey

const newKeys = async () =>
  (await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify'])) as CryptoKeyPair

async function newAuthority(names: OwnNames, now: number) {
  const keys = await newKeys()
  const cert = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Even Reach on ${names.hosts.at(-1) ?? 'this machine'}`,
    notBefore: new Date(now - DAY_MS),
    notAfter: new Date(now + AUTHORITY_DAYS * DAY_MS),
    signingAlgorithm: KEYS,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      constraints(names),
    ],
  })
  return { cert: cert.toString('pem'), key: await pem(keys.privateKey) }
}

async function newServer(
  authority: { cert: string; key: string },
  { addresses, hosts }: OwnNames,
  now: number,
) {
  const keys = await newKeys()
  const issuer = new x509.X509Certificate(authority.cert)
  const cert = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${hosts[0] ?? addresses[0] ?? 'localhost'}`,
    issuer: issuer.subject,
    notBefore: new Date(now - DAY_MS),
    notAfter: new Date(now + SERVER_DAYS * DAY_MS),
    signingAlgorithm: KEYS,
    publicKey: keys.publicKey,
    signingKey: await keyOf(authority.key),
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension([
        ...[...hosts, 'localhost'].map((value) => ({ type: 'dns' as const, value })),
        ...[...addresses, '127.0.0.1'].map((value) => ({ type: 'ip' as const, value })),
      ]),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      await x509.AuthorityKeyIdentifierExtension.create(issuer),
    ],
  })
  return { cert: cert.toString('pem'), key: await pem(keys.privateKey) }
}

/** Keys and certificates as files beside the database; only their owner can read them. */
function filesIn(folder: string) {
  const path = (name: string) => join(folder, name)
  return {
    read: (name: string) => {
      const [cert, key] = [path(`${name}.crt`), path(`${name}.key`)]
      return existsSync(cert) && existsSync(key)
        ? { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') }
        : null
    },
    write: (name: string, { cert, key }: { cert: string; key: string }) => {
      mkdirSync(folder, { recursive: true, mode: 0o700 })
      writeFileSync(path(`${name}.key`), key, { mode: 0o600 })
      writeFileSync(path(`${name}.crt`), cert, { mode: 0o600 })
    },
    readText: (name: string) => (existsSync(path(name)) ? readFileSync(path(name), 'utf8') : null),
    writeText: (name: string, text: string) => writeFileSync(path(name), text, { mode: 0o600 }),
  }
}

const fingerprintOf = (cert: string) =>
  createHash('sha256')
    .update(new NodeCertificate(cert).raw)
    .digest('hex')
    .toUpperCase()
    .match(/../g)!
    .join(':')

const endOf = (cert: string) => Date.parse(new NodeCertificate(cert).validTo)

/** Whether an authority may speak for all of these. */
function maySpeakFor(said: OwnNames, { addresses, hosts }: OwnNames): boolean {
  const ranges = new BlockList()
  for (const [address, bits] of PRIVATE) ranges.addSubnet(address, bits, familyOf(address))
  const within = (a: string) => said.addresses.includes(a) || ranges.check(a, familyOf(a))
  return addresses.every(within) && hosts.every((h) => h.endsWith('.local') || said.hosts.includes(h))
}

/**
 * The machine's own authority and certificate: made the first time, renewed before they end, and made out anew where
 * the machine has a name or an address that they do not hold. Devices that trust the authority trust what it renews;
 * a new authority is made only where the old one cannot speak for the machine any more.
 * @param folder where they are kept; made where it is missing
 */
export async function credentials(folder: string, names: OwnNames, now = Date.now()): Promise<Credentials> {
  const files = filesIn(folder)
  const soon = now + RENEW_DAYS * DAY_MS
  const said = JSON.parse(files.readText('names.json') ?? 'null') as {
    authority: OwnNames
    server: OwnNames
  } | null
  let authority = files.read('authority')
  let server = files.read('server')
  let [authorityFor, serverFor] = [said?.authority ?? null, said?.server ?? null]
  if (!authority || !authorityFor || endOf(authority.cert) < soon || !maySpeakFor(authorityFor, names)) {
    authority = await newAuthority(names, now)
    authorityFor = names
    server = null
    files.write('authority', authority)
  }
  if (!server || endOf(server.cert) < soon || JSON.stringify(serverFor) !== JSON.stringify(names)) {
    server = await newServer(authority, names, now)
    serverFor = names
    files.write('server', server)
  }
  files.writeText('names.json', JSON.stringify({ authority: authorityFor, server: serverFor }))
  return {
    ...server,
    authority: authority.cert,
    fingerprint: fingerprintOf(authority.cert),
    endsAt: endOf(server.cert),
  }
}
