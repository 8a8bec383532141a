import { checkEscape, ESCAPE_RULES } from '../../fit/escape-window';
import { capital } from '../../words/letters';
import type { Fixture, Opening } from '../shape';
import { TOUCHING } from '../within';
import { finding, nameOf, openingName, type PlanFinding } from './finding';
import { shares, topOf, type Room } from './ground';

/** Within so much of the window a thing is climbed over. mm */
const BELOW = 600;
const DECIDES = 'Your local code and inspector decide.';

/** Whether somebody who sleeps here can get out by a window and be got out, and what stands below it. */
export function wayOut({ openings, floors, terms, say }: Room): PlanFinding[] {
  const windows = openings.filter((opening) => opening.kind === 'window');
  if (windows.length === 0)
    return [finding('bad', 'escape', `Somebody sleeps here and there is no window to get out by. ${DECIDES}`)];
  const judged = windows.map((window) => ({
    window,
    result: window.clear
      ? checkEscape({
          clearWidth: window.clear.width.mm,
          clearHeight: window.clear.height.mm,
          sill: window.sill.mm,
          gradeFloor: terms.atGrade,
          rules: terms.rules,
        })
      : undefined,
  }));
  const things = floors.map(({ thing }) => thing);
  const passing = judged.filter(({ result }) => result?.passes).map(({ window }) => window);
  const free = passing.find((window) => things.every((thing) => !isBelow(thing, window)));
  if (free)
    return [
      finding('good', 'escape', `${nameOf(free)} is a way out by ${ESCAPE_RULES[terms.rules]}. ${DECIDES}`, free),
    ];
  if (passing[0]) return obstructed(passing[0], things);
  const unknown = judged.filter(({ result }) => !result).map(({ window }) => window);
  if (unknown.length > 0) {
    const names = unknown.map(openingName).join(' or ');
    const text = `Somebody sleeps here: what is clear when ${names} stands open is not known yet.`;
    return [finding('ask', 'escape', text, ...windows)];
  }
  const faults = judged.map(
    ({ window, result }) =>
      `${openingName(window)} fails by ${(result?.fails ?? []).join(' and ')} (sill ${say(window.sill.mm)})`,
  );
  const text = `No window here is a way out by ${ESCAPE_RULES[terms.rules]}: ${faults.join('; ')}. ${DECIDES}`;
  return [finding('bad', 'escape', text, ...windows)];
}

/** A window that is large enough, with something before it: over its sill it bars the way, under it one climbs over it. */
function obstructed(window: Opening, things: readonly Fixture[]): PlanFinding[] {
  const below = things.filter((thing) => isBelow(thing, window));
  const names = below.map(({ name }) => name).join(' and ');
  const bars = below.some((thing) => topOf(thing) > window.sill.mm + TOUCHING);
  const text = bars
    ? `${capital(names)} ${below.length > 1 ? 'bar' : 'bars'} the way out by ${openingName(window)}.`
    : `${nameOf(window)} is large enough for a way out, and ${names} ${below.length > 1 ? 'stand' : 'stands'} below it: ` +
      'it has to be passed in the dark.';
  return [finding(bars ? 'bad' : 'ask', 'escape', `${text} ${DECIDES}`, window, ...below)];
}

const isBelow = (thing: Fixture, window: Opening): boolean =>
  window.along !== null &&
  thing.wall === window.wall &&
  thing.away.mm < BELOW &&
  thing.bottom.mm < window.sill.mm + window.height.mm - TOUCHING &&
  shares(window.along.mm, window.along.mm + window.width.mm, thing.along.mm, thing.along.mm + thing.width.mm);
