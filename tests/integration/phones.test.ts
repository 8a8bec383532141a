import { describe, expect, it } from 'vitest';
import { readable } from '@/ui/offline/seen';
import { lookIn } from '@/contract/device-look';
import { addressForPhones, sayPhones } from '@/server/environment.mjs';

const network = (address: string, internal = false) =>
  ({ family: 'IPv4', address, internal, netmask: '', mac: '', cidr: null }) as const;
const NETWORKS = [[network('127.0.0.1', true)], [network('192.0.2.7')]];

describe('how a telephone comes in', () => {
  it.each([
    ['alone', {}, null],
    ['on its network', { HOST: '0.0.0.0', PORT: '3100' }, { address: 'http://192.0.2.7:3100', secure: false }],
    ['at one address', { HOST: '192.0.2.9' }, { address: 'http://192.0.2.9:3000', secure: false }],
    [
      'under its own name',
      { HOST: '0.0.0.0', AFTERMIST_ADDRESS: 'https://firm.example/' },
      { address: 'https://firm.example', secure: true },
    ],
  ])('%s', (_, env, reached) => {
    expect(addressForPhones(env, NETWORKS)).toEqual(reached);
  });

  it('is said at the start, with what a phone cannot do over http', () => {
    expect(sayPhones(null)).toContain('HOST=0.0.0.0');
    expect(sayPhones({ address: 'http://192.0.2.7:3000', secure: false })).toContain('cannot keep a walk');
    expect(sayPhones({ address: 'https://firm.example', secure: true })).not.toContain('cannot');
  });
});

describe('a page as it was seen last', () => {
  it('has no script, and says of when it is', () => {
    const page =
      '<head><link rel="preload" as="script" href="/a.js"/></head><main id="main"><p>Rooms</p></main><script>x()</script>';
    const kept = readable(page, new Date('2027-03-09T16:20:00Z'));
    expect(kept).not.toContain('script');
    expect(kept).toMatch(/No connection\. This is as it was .*9 Mar.*<main id="main"><p>Rooms/);
  });
});

describe('how a device looks', () => {
  it.each([
    ['dark.largest', { theme: 'dark', text: 'largest' }],
    ['neon.huge', { theme: 'device', text: 'usual' }],
    [undefined, { theme: 'device', text: 'usual' }],
  ])('%s', (cookie, look) => {
    expect(lookIn(cookie)).toEqual(look);
  });
});
