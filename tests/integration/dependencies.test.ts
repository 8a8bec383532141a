import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { root } from '../support/installations';

interface Locked {
  version?: string;
  resolved?: string;
  integrity?: string;
  link?: boolean;
  inBundle?: boolean;
  hasInstallScript?: boolean;
}

const read = <Content>(file: string): Content => JSON.parse(readFileSync(join(root, file), 'utf8')) as Content;
const { packages } = read<{ packages: Record<string, Locked> }>('package-lock.json');
const own = read<Record<'dependencies' | 'devDependencies', Record<string, string>>>('package.json');
const locked = Object.entries(packages).filter(([path]) => path !== '');

/** Packages that run something of their own when they are installed, each with why that is needed. */
const RUNS_AT_INSTALL: Record<string, string> = {
  'better-sqlite3': 'compiles SQLite for this machine, or takes what was compiled for it',
  esbuild: 'of the tools: looks whether its program fits this machine',
  '@parcel/watcher': 'left out where it does not compile; only told when styles change while one develops',
};

describe('what the application is made of', () => {
  it('is named by exact versions, and locked by what is in it', () => {
    const named = Object.entries({ ...own.dependencies, ...own.devDependencies });
    expect(named.filter(([, version]) => !/^\d+\.\d+\.\d+(-[\w.]+)?$/.test(version))).toEqual([]);
    expect(named.filter(([name, version]) => packages[`node_modules/${name}`]?.version !== version)).toEqual([]);
    expect(
      locked.flatMap(([path, { integrity, link, inBundle }]) =>
        link || inBundle || /^sha512-/.test(integrity ?? '') ? [] : [path],
      ),
    ).toEqual([]);
  });

  it('comes from one place, none of it from a repository of somebody’s', () => {
    const places = locked.flatMap(([, { resolved }]) => (resolved ? [resolved] : []));
    expect(places.filter((place) => !place.startsWith('https://'))).toEqual([]);
    expect(new Set(places.map((place) => new URL(place).origin)).size).toBeLessThan(2);
  });

  it('runs nothing when it is installed but what is known to', () => {
    const running = locked.flatMap(([path, { hasInstallScript }]) =>
      hasInstallScript ? [path.replace(/^.*node_modules\//, '')] : [],
    );
    expect(running.filter((name) => !(name in RUNS_AT_INSTALL))).toEqual([]);
  });
});
