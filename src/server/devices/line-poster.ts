import type { BridgeOptions } from './bridge';

const PATIENCE_MS = 5000;

/**
 * The credentials of a program: the shop's passphrase, or a person's name and PIN or passphrase;
 * neither if it is open.
 */
interface LetIn {
  passphrase: string | undefined;
  who: string | undefined;
  secret: string | undefined;
}

/**
 * Posts lines to the program at an address; signs in where it is asked to, and again once the
 * session is over.
 */
export const linePoster = (
  to: string,
  { passphrase, who, secret }: LetIn,
): BridgeOptions['post'] => {
  let cookie: string | null = null;
  const ask = (path: string, type: string, body: string) =>
    fetch(new URL(path, to), {
      method: 'POST',
      headers: {
        'content-type': type,
        ...(passphrase
          ? { authorization: `Basic ${Buffer.from(`bridge:${passphrase}`).toString('base64')}` }
          : {}),
        ...(cookie ? { cookie } : {}),
      },
      body,
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
  const signIn = async (): Promise<void> => {
    const response = await ask('/api/session', 'application/json', JSON.stringify({ who, secret }));
    if (!response.ok) throw new Error(`it does not let ${who} in, and answered ${response.status}`);
    cookie = response.headers.getSetCookie()[0]?.split(';')[0] ?? null;
  };
  return async (body) => {
    const send = () => ask('/api/devices/lines', 'application/x-ndjson', body);
    let response = await send();
    if (response.status === 401 && who && secret) {
      await signIn();
      response = await send();
    }
    if (!response.ok) throw new Error(`it answered ${response.status}`);
    return (await response.json()) as Awaited<ReturnType<BridgeOptions['post']>>;
  };
};
