import { hostname, networkInterfaces } from 'node:os';
import { isLoopback } from '../auth/access';

/** Hosts that stand for every address of the machine. */
const EVERY: readonly string[] = ['0.0.0.0', '::'];

type Interfaces = ReturnType<typeof networkInterfaces>;

/** The IPv4 addresses by which other machines reach this one. */
const outside = (interfaces: Interfaces): string[] =>
  Object.values(interfaces)
    .flatMap((all) => all ?? [])
    .filter((a) => a.family === 'IPv4' && !a.internal)
    .map((a) => a.address);

/**
 * The addresses of a server that listens at `host`: what a tablet can open, the most likely first.
 */
export const foundAt = (host: string, interfaces: Interfaces = networkInterfaces()): string[] => {
  if (!EVERY.includes(host)) return [host];
  const found = outside(interfaces);
  return found.length > 0 ? found : ['127.0.0.1'];
};

/** All names and addresses that a certificate for it has to hold. */
export const namesFor = (host: string, interfaces: Interfaces = networkInterfaces()): string[] => [
  ...new Set([...foundAt(host, interfaces), hostname(), 'localhost', '127.0.0.1']),
];

/** An address as a browser takes it. */
export const urlOf = (scheme: 'http' | 'https', host: string, port: number): string =>
  `${scheme}://${host.includes(':') ? `[${host}]` : host}:${port}`;

/** Those of the addresses that another machine can open. */
export const reachable = (hosts: readonly string[]): string[] =>
  hosts.filter((host) => !isLoopback(host));
