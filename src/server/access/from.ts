import type { From } from '../accounts/sessions';

/** Names by which browsers and systems tell themselves apart; the first that fits counts. */
const BROWSERS: [RegExp, string][] = [
  [/Edg(?:e|A|iOS)?\//, 'Edge'],
  [/OPR\//, 'Opera'],
  [/SamsungBrowser\//, 'Samsung Internet'],
  [/(?:Firefox|FxiOS)\//, 'Firefox'],
  [/(?:Chrome|CriOS|HeadlessChrome)\//, 'Chrome'],
  [/Safari\//, 'Safari'],
];
const SYSTEMS: [RegExp, string][] = [
  [/iPhone|iPod/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X|Macintosh/, 'Mac'],
  [/CrOS/, 'Chromebook'],
  [/Linux|X11/, 'Linux'],
];
const nameIn = (names: readonly [RegExp, string][], text: string): string | undefined =>
  names.find(([pattern]) => pattern.test(text))?.[1];

/** `Chrome on Android`, for whoever looks for a browser of theirs in a list. */
function deviceOf(agent: string): string {
  const [browser, system] = [nameIn(BROWSERS, agent), nameIn(SYSTEMS, agent)];
  if (!browser && !system) return agent ? agent.slice(0, 60) : 'unknown';
  return [browser ?? 'a browser', system && `on ${system}`].filter(Boolean).join(' ');
}

/** Whether a page is only looked at ahead of somebody: a program that shows what an address leads to, or a browser’s own guess. */
export const isLookedAhead = (headers: Pick<Headers, 'get'>): boolean =>
  /bot\b|crawl|spider|preview|externalhit|embed/i.test(headers.get('user-agent') ?? '') ||
  /prefetch|prerender|preview/i.test(`${headers.get('purpose') ?? ''} ${headers.get('sec-purpose') ?? ''}`);

/**
 * From where and with what a request comes. Its address is written into the header by our own front: from the connection,
 * or by a proxy that is named.
 */
export const fromOf = (headers: Pick<Headers, 'get'>): From => ({
  device: deviceOf(headers.get('user-agent') ?? ''),
  source: (headers.get('x-forwarded-for') ?? 'unknown').split(',')[0]?.trim().slice(0, 60) ?? 'unknown',
});
