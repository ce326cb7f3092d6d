import { BlockList, isIP, isIPv4 } from 'node:net';
import { isLoopback } from '../auth/access';
import { tlsBeside } from '../paths';
import { namesFor } from './addresses';
import type { ShopCertificate } from './shop-certificate';

/** The words that allow plain HTTP beyond this machine. */
export const PLAIN_WORDS = 'anybody on the network can read it';

/** Loaded only where there is TLS: it slows the server's start. */
const certificates = () => import('./shop-certificate');

/** The way requests come to the server. */
interface Transport {
  certificate: ShopCertificate | null;
  /** The address of a proxy whose headers are believed; null for none. */
  proxy: string | null;
}

/** Says in one sentence how the settings contradict each other. */
export class TransportUnusable extends Error {}

/**
 * The way requests come, by the settings: plain on this machine alone; beyond it over TLS, by the
 * shop's own certificate (`RIMSTONE_TLS_CERT` and `RIMSTONE_TLS_KEY` for another), behind a proxy
 * (`RIMSTONE_PROXY`, its address), whose connections alone are answered, or plain where that is
 * asked for in so many words (`RIMSTONE_PLAIN_HTTP`). Throws `TransportUnusable`.
 */
export const transportFor = async (
  host: string,
  file: string,
  env: NodeJS.ProcessEnv,
): Promise<Transport> => {
  const {
    RIMSTONE_TLS_CERT: cert,
    RIMSTONE_TLS_KEY: key,
    RIMSTONE_PROXY: proxy,
    RIMSTONE_PLAIN_HTTP: plain,
  } = env;
  if (Boolean(cert) !== Boolean(key))
    throw new TransportUnusable(
      'RIMSTONE_TLS_CERT and RIMSTONE_TLS_KEY go together: set both, or neither.',
    );
  if (plain && plain !== PLAIN_WORDS)
    throw new TransportUnusable(
      `RIMSTONE_PLAIN_HTTP is "${plain}". PINs and records then travel unencrypted; to accept that, set it to "${PLAIN_WORDS}".`,
    );
  if (proxy && !isProxy(proxy))
    throw new TransportUnusable(
      `RIMSTONE_PROXY is "${proxy}"; use the address of the proxy, such as 127.0.0.1.`,
    );
  if (proxy && isLoopback(proxy) && !isLoopback(host))
    throw new TransportUnusable(
      `HOST is ${host} and the proxy is on this computer (${proxy}): every address would be served without encryption. ` +
        'Set HOST=127.0.0.1, so that only the proxy reaches the shop.',
    );
  if (proxy) return { certificate: null, proxy };
  if (cert && key) return { certificate: await given(cert, key), proxy: null };
  if (isLoopback(host) || plain) return { certificate: null, proxy: null };
  const { ownCertificate } = await certificates();
  return { certificate: await ownCertificate(tlsBeside(file), namesFor(host)), proxy: null };
};

/** Whether a connection comes from the proxy, an address or a range of them (`192.168.1.0/24`). */
export const fromProxy = (proxy: string): ((address: string | undefined) => boolean) => {
  const [base = '', bits] = proxy.split('/');
  const family = isIPv4(base) ? 'ipv4' : 'ipv6';
  const list = new BlockList();
  if (bits === undefined) list.addAddress(base, family);
  else list.addSubnet(base, Number(bits), family);
  return (address) => {
    const plain = (address ?? '').replace(/^::ffff:/, '');
    return isIP(plain) !== 0 && list.check(plain, isIPv4(plain) ? 'ipv4' : 'ipv6');
  };
};

const isProxy = (text: string): boolean => {
  const [base = '', bits] = text.split('/');
  const most = isIPv4(base) ? 32 : 128;
  return (
    isIP(base) !== 0 && (bits === undefined || (/^\d{1,3}$/.test(bits) && Number(bits) <= most))
  );
};

const given = async (cert: string, key: string): Promise<ShopCertificate> => {
  const { givenCertificate } = await certificates();
  try {
    return givenCertificate(cert, key);
  } catch (error) {
    throw new TransportUnusable(
      `The certificate ${cert} with the key ${key} cannot be used: ${(error as Error).message}.`,
    );
  }
};
