interface Started {
  /** The addresses that another machine can open, or this one. */
  urls: readonly string[];
  /** Of the shop's own root, where there is one. */
  fingerprint: string | null;
  /**
   * Whether someone sees it, and another machine can open it: then a code to point a tablet at.
   */
  showsCode: boolean;
}

const drawn = async (address: string): Promise<string> => {
  const { toString } = await import('qrcode');
  return toString(address, { type: 'terminal', small: true });
};

/** The words of the program once it listens. */
export const startWords = async ({ urls, fingerprint, showsCode }: Started): Promise<string> => {
  const [first = '', ...others] = urls;
  const code = showsCode ? `\n${await drawn(first)}` : '';
  return [
    `Tough Rimstone is ready: ${first}`,
    ...others.map((url) => `                   or at: ${url}`),
    ...(fingerprint === null
      ? []
      : [
          `On each new tablet, open ${first}/certificate.crt once and compare`,
          `its SHA-256 fingerprint: ${fingerprint}`,
        ]),
    code,
  ]
    .filter(Boolean)
    .join('\n');
};
