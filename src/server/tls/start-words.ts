import { toString as drawn } from 'qrcode';

interface Started {
  /** What another machine can open, or this one. */
  urls: readonly string[];
  /** Of the shop's own root, where there is one. */
  fingerprint: string | null;
  /**
   * Whether somebody sees it, and another machine can open it: then a code to point a tablet at.
   */
  showsCode: boolean;
}

/** What the program says once it listens. */
export const startWords = async ({ urls, fingerprint, showsCode }: Started): Promise<string> => {
  const [first = '', ...others] = urls;
  const code = showsCode ? `\n${await drawn(first, { type: 'terminal', small: true })}` : '';
  return [
    `Tough Rimstone is ready: ${first}`,
    ...others.map((url) => `                   or at: ${url}`),
    ...(fingerprint === null
      ? []
      : [
          `A tablet asks once whether it may trust this shop: get ${first}/certificate.crt there, and compare`,
          `its SHA-256 fingerprint: ${fingerprint}`,
        ]),
    code,
  ]
    .filter(Boolean)
    .join('\n');
};
