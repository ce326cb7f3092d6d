import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate } from 'selfsigned';

const DAY_MS = 86_400_000;
/** What tablets are told to trust, once: long enough for never again. */
const ROOT_DAYS = 3650;
/** Browsers take no longer one. Source: CA/Browser Forum, Baseline Requirements 6.3.2: 398 days. */
const DAYS = 397;
/** A new one is made so long before the end. */
const RENEW_DAYS = 30;

/** Names, key and certificate in PEM. */
interface Pair {
  key: string;
  cert: string;
}

/** What the server shows, and what a tablet has to trust. */
export interface ShopCertificate extends Pair {
  /** The shop's own root in PEM; null where the certificate is another one's. */
  root: string | null;
  /** SHA-256 of what is to be trusted: to compare by eye. */
  fingerprint: string;
}

const read = (dir: string, name: string): Pair | null => {
  const [key, cert] = [join(dir, `${name}.key`), join(dir, `${name}.crt`)];
  return existsSync(key) && existsSync(cert)
    ? { key: readFileSync(key, 'utf8'), cert: readFileSync(cert, 'utf8') }
    : null;
};

const write = (dir: string, name: string, { key, cert }: Pair): Pair => {
  mkdirSync(dir, { recursive: true, mode: 0o700 });
  writeFileSync(join(dir, `${name}.key`), key, { mode: 0o600 });
  writeFileSync(join(dir, `${name}.crt`), cert, { mode: 0o600 });
  return { key, cert };
};

const made = async (name: string, days: number, options: object): Promise<Pair> => {
  const { private: key, cert } = await generate([{ name: 'commonName', value: name }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notBeforeDate: new Date(Date.now() - DAY_MS),
    notAfterDate: new Date(Date.now() + (days - 1) * DAY_MS),
    ...options,
  });
  return { key, cert };
};

const isOf = (cert: X509Certificate, name: string): boolean =>
  (isIP(name) ? cert.checkIP(name) : cert.checkHost(name)) !== undefined;

/** Whether a certificate goes on: for all these names, for a while yet, by this root. */
const goesOn = ({ cert }: Pair, root: Pair, names: readonly string[]): boolean => {
  const it = new X509Certificate(cert);
  const lastsMs = Date.parse(it.validTo) - Date.now();
  return (
    lastsMs > RENEW_DAYS * DAY_MS &&
    names.every((name) => isOf(it, name)) &&
    it.verify(new X509Certificate(root.cert).publicKey)
  );
};

/**
 * The shop's own certificate, in a folder that only its owner reads: a root of its own, made once, that tablets are told
 * to trust, and by it a certificate for the names and addresses of this machine, made anew when they change or it ends.
 */
export const ownCertificate = async (dir: string, names: readonly string[]): Promise<ShopCertificate> => {
  const root =
    read(dir, 'root') ??
    write(
      dir,
      'root',
      await made('Tough Rimstone shop root', ROOT_DAYS, {
        extensions: [
          { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
          { name: 'keyUsage', keyCertSign: true, critical: true },
        ],
      }),
    );
  const before = read(dir, 'server');
  const pair =
    before && goesOn(before, root, names)
      ? before
      : write(
          dir,
          'server',
          await made('Tough Rimstone', DAYS, {
            ca: root,
            extensions: [
              { name: 'basicConstraints', cA: false },
              { name: 'keyUsage', digitalSignature: true, critical: true },
              { name: 'extKeyUsage', serverAuth: true },
              {
                name: 'subjectAltName',
                altNames: names.map((name) => (isIP(name) ? { type: 7, ip: name } : { type: 2, value: name })),
              },
            ],
          }),
        );
  return { ...pair, root: root.cert, fingerprint: new X509Certificate(root.cert).fingerprint256 };
};

/** A certificate that the shop has from elsewhere, by the paths of its files. Throws where they do not go together. */
export const givenCertificate = (certPath: string, keyPath: string): ShopCertificate => {
  const [cert, key] = [readFileSync(certPath, 'utf8'), readFileSync(keyPath, 'utf8')];
  return { key, cert, root: null, fingerprint: new X509Certificate(cert).fingerprint256 };
};
