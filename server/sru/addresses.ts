import { BlockList, isIP, isIPv6 } from 'node:net';

/** Networks that no outside service stands in (IANA special-purpose address registries). */
const PRIVATE_V4: readonly (readonly [string, number])[] = [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.88.99.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 4],
  ['240.0.0.0', 4],
];
const PRIVATE_V6: readonly (readonly [string, number])[] = [
  ['::', 96],
  ['64:ff9b::', 96],
  ['64:ff9b:1::', 48],
  ['100::', 64],
  ['2001::', 23],
  ['2001:db8::', 32],
  ['2002::', 16],
  ['fc00::', 7],
  ['fe80::', 10],
  ['fec0::', 10],
  ['ff00::', 8],
];

const blocked = new BlockList();
for (const [network, bits] of PRIVATE_V4) {
  blocked.addSubnet(network, bits, 'ipv4');
  // The same networks written as addresses of version 6.
  blocked.addSubnet(`::ffff:${network}`, 96 + bits, 'ipv6');
}
for (const [network, bits] of PRIVATE_V6) blocked.addSubnet(network, bits, 'ipv6');

/** True for an address of this machine, of a private or local network, or of none at all. */
export function isPrivateAddress(address: string): boolean {
  const bare = address.replace(/^\[|\]$/g, '').replace(/%.*$/, '');
  if (isIP(bare) === 0) return true;
  return blocked.check(bare, isIPv6(bare) ? 'ipv6' : 'ipv4');
}
