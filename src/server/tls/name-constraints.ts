import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509';
import { Extension } from '@peculiar/x509';
import { BlockList, isIP, isIPv4 } from 'node:net';

/**
 * Addresses that are no one's on the internet. Source: RFC 1918, RFC 3927, RFC 4193, RFC 4291, RFC
 * 1122.
 */
const PRIVATE = [
  '127.0.0.0/8',
  '10.0.0.0/8',
  '172.16.0.0/12',
  '192.168.0.0/16',
  '169.254.0.0/16',
  '::1/128',
  'fc00::/7',
  'fe80::/10',
] as const;

const familyOf = (address: string) => (isIPv4(address) ? 'ipv4' : 'ipv6');
const privateList = new BlockList();
for (const range of PRIVATE) {
  const [address, bits] = range.split('/') as [string, string];
  privateList.addSubnet(address, Number(bits), familyOf(address));
}

/**
 * The host names, and addresses that are not private, that a shop's root has to name to sign for
 * them.
 */
export const constrainedNames = (names: readonly string[]): string[] =>
  names.filter((name) => isIP(name) === 0 || !privateList.check(name, familyOf(name))).sort();

const generalName = (name: string): GeneralName => {
  if (name.includes('/')) return new GeneralName({ iPAddress: name });
  if (isIP(name) === 0) return new GeneralName({ dNSName: name });
  return new GeneralName({ iPAddress: `${name}/${isIPv4(name) ? 32 : 128}` });
};

/**
 * Name constraints (RFC 5280, 4.2.1.10): the root may sign for these names, and for private
 * addresses, and for nothing else.
 */
export const nameConstraints = (names: readonly string[]): Extension => {
  const all = [...constrainedNames(names), ...PRIVATE];
  const permitted = new GeneralSubtrees(
    all.map((name) => new GeneralSubtree({ base: generalName(name) })),
  );
  const value = new NameConstraints({ permittedSubtrees: permitted });
  return new Extension(id_ce_nameConstraints, true, AsnConvert.serialize(value));
};
