import { describe, expect, it } from 'vitest';
import { ASSEMBLIES } from './catalogue';
import { fittingAssembly, signOf } from './fitting';

const signs = ASSEMBLIES.map(signOf);
const fits = (verb: string, subject: string, kind: 'room' | 'face' | 'ground'): string | undefined =>
  fittingAssembly(signs, `${verb} ${subject}`, kind)?.title;

describe('the assembly that a line means', () => {
  it('does the same to the same things, in such an area', () => {
    expect(fits('replace', 'three windows', 'face')).toBe('New windows');
    expect(fits('install', 'new kitchen', 'room')).toBe('New kitchen');
    expect(fits('lay', 'a new drain', 'ground')).toBe('New drain');
  });

  it('is none where something else is done, or elsewhere', () => {
    expect(fits('paint', 'the windows', 'face')).toBeUndefined();
    expect(fits('replace', 'the gutter', 'face')).toBeUndefined();
    expect(fits('install', 'new kitchen', 'face')).toBeUndefined();
  });
});
