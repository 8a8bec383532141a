import { networkInterfaces } from 'node:os';
import { install } from './toolchain.mjs';
import { build } from './build.mjs';
import { serve } from './serve.mjs';
import { addressForPhones, refuseWrongEnvironment, sayPhones } from '../src/server/environment.mjs';

// The real thing: an empty house in var/firm (or $AFTERMIST_DATA) until the first visitor founds the firm.
refuseWrongEnvironment();
await install();
build();
serve(
  {},
  (url) =>
    `\nAftermist is at ${url}\n${sayPhones(addressForPhones(process.env, Object.values(networkInterfaces())))}\n`,
);
