import 'reflect-metadata';
import {
  BasicConstraintsExtension,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  X509Certificate as Certificate,
  X509CertificateGenerator,
  type Extension,
} from '@peculiar/x509';
import { randomBytes, webcrypto, X509Certificate } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { constrainedNames, nameConstraints } from './name-constraints';

const DAY_MS = 86_400_000;
/** The lifetime of the shop's root certificate. Basis: memory. */
const ROOT_DAYS = 365;
/** The lifetime of the server's own certificate, inside that. */
const DAYS = 120;
/** A new one is made so long before the end. */
const RENEW_DAYS = 30;
const SIGNING = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;

/** Names, key and certificate in PEM. */
interface Pair {
  key: string;
  cert: string;
}

/** The certificate that the server shows, and the one a tablet has to trust. */
export interface ShopCertificate extends Pair {
  /** The shop's own root in PEM; null where the certificate is another one's. */
  root: string | null;
  /** SHA-256 of what is to be trusted: to compare by eye. */
  fingerprint: string;
}

const read = (dir: string, name: string): Pair | null => {
  const [key, cert] = [join(dir, `${name}.key`), join(dir, `${name}.crt`)];
  if (!existsSync(key) || !existsSync(cert)) return null;
  // Whatever made them readable for others: from now on only this account reads them.
  chmodSync(key, 0o600);
  return { key: readFileSync(key, 'utf8'), cert: readFileSync(cert, 'utf8') };
};

const write = (dir: string, name: string, { key, cert }: Pair): Pair => {
  mkdirSync(dir, { recursive: true, mode: 0o700 });
  chmodSync(dir, 0o700);
  writeFileSync(join(dir, `${name}.key`), key, { mode: 0o600 });
  writeFileSync(join(dir, `${name}.crt`), cert, { mode: 0o600 });
  return { key, cert };
};

const keysFrom = async (pem: string): Promise<CryptoKey> =>
  webcrypto.subtle.importKey('pkcs8', PemConverter.decodeFirst(pem), SIGNING, false, ['sign']);

/** Makes a key, and a certificate for it that a root signs; by itself without one. */
const made = async (
  commonName: string,
  days: number,
  extensions: Extension[],
  root?: Pair,
): Promise<Pair> => {
  const keys = await webcrypto.subtle.generateKey(SIGNING, true, ['sign', 'verify']);
  const common = {
    // Positive, and of 64 random bits at least. Source: RFC 5280, 4.1.2.2; CA/Browser Forum,
    // Baseline Requirements 7.1.
    serialNumber: `01${randomBytes(15).toString('hex')}`,
    notBefore: new Date(Date.now() - DAY_MS),
    notAfter: new Date(Date.now() + (days - 1) * DAY_MS),
    signingAlgorithm: SIGNING,
    extensions,
  };
  const certificate = root
    ? await X509CertificateGenerator.create({
        ...common,
        subject: `CN=${commonName}`,
        issuer: new Certificate(root.cert).subject,
        publicKey: keys.publicKey,
        signingKey: await keysFrom(root.key),
      })
    : await X509CertificateGenerator.createSelfSigned({
        ...common,
        name: `CN=${commonName}`,
        keys,
      });
  const key = PemConverter.encode(
    await webcrypto.subtle.exportKey('pkcs8', keys.privateKey),
    'PRIVATE KEY',
  );
  return { key, cert: certificate.toString('pem') };
};

const isOf = (cert: X509Certificate, name: string): boolean =>
  (isIP(name) ? cert.checkIP(name) : cert.checkHost(name)) !== undefined;

const lastsDays = ({ cert }: Pair): number =>
  (Date.parse(new X509Certificate(cert).validTo) - Date.now()) / DAY_MS;

/** Whether the server's certificate goes on: for all these names, for a while yet, by this root. */
const goesOn = (pair: Pair, root: Pair, names: readonly string[]): boolean => {
  const it = new X509Certificate(pair.cert);
  const rootCert = new X509Certificate(root.cert);
  return (
    lastsDays(pair) > RENEW_DAYS &&
    names.every((name) => isOf(it, name)) &&
    it.verify(rootCert.publicKey)
  );
};

/** The text that says for which names a root may sign, kept beside it. */
const forNames = (names: readonly string[]): string => constrainedNames(names).join('\n');

/** Whether a root goes on: for these names, for a year at most, and for a while yet. */
const rootGoesOn = (dir: string, root: Pair, names: readonly string[]): boolean => {
  const file = join(dir, 'root.names');
  const its = existsSync(file) ? readFileSync(file, 'utf8').split('\n') : null;
  const lasts = lastsDays(root);
  return (
    its !== null &&
    constrainedNames(names).every((n) => its.includes(n)) &&
    lasts > RENEW_DAYS &&
    lasts < ROOT_DAYS
  );
};

const madeRoot = async (dir: string, names: readonly string[]): Promise<Pair> => {
  const root = await made('Tough Rimstone shop root', ROOT_DAYS, [
    new BasicConstraintsExtension(true, 0, true),
    new KeyUsagesExtension(KeyUsageFlags.keyCertSign, true),
    nameConstraints(names),
  ]);
  write(dir, 'root', root);
  writeFileSync(join(dir, 'root.names'), forNames(names), { mode: 0o600 });
  return root;
};

const madeServer = async (dir: string, names: readonly string[], root: Pair): Promise<Pair> =>
  write(
    dir,
    'server',
    await made(
      'Tough Rimstone',
      DAYS,
      [
        new BasicConstraintsExtension(false),
        new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
        new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
        new SubjectAlternativeNameExtension(
          names.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value })),
        ),
      ],
      root,
    ),
  );

/**
 * The shop's own certificate, in a folder that only its account reads: a root that tablets are told
 * to trust, which can sign for the shop's own names and private addresses alone and holds for a
 * year, and by it a certificate for the names and addresses of this computer. Each is made again
 * before it ends, or when the names change.
 */
export const ownCertificate = async (
  dir: string,
  names: readonly string[],
): Promise<ShopCertificate> => {
  const rootBefore = read(dir, 'root');
  const root =
    rootBefore && rootGoesOn(dir, rootBefore, names) ? rootBefore : await madeRoot(dir, names);
  const before = read(dir, 'server');
  const pair = before && goesOn(before, root, names) ? before : await madeServer(dir, names, root);
  return { ...pair, root: root.cert, fingerprint: new X509Certificate(root.cert).fingerprint256 };
};

/**
 * A certificate that the shop has from elsewhere, by the paths of its files. Throws where they do
 * not go together.
 */
export const givenCertificate = (certPath: string, keyPath: string): ShopCertificate => {
  const [cert, key] = [readFileSync(certPath, 'utf8'), readFileSync(keyPath, 'utf8')];
  return { key, cert, root: null, fingerprint: new X509Certificate(cert).fingerprint256 };
};
