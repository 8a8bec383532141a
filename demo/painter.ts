import sharp from 'sharp';
import { phaseOrder, type Phase } from '@/core/sequence/phases';
import type { AreaKind } from '@/core/sites/area';
import { seeded } from '@/core/units/seeded';

/**
 * Paints site pictures: the same standpoint shows the same room or face with what the phase has added, so two walks
 * show real progress. Everything is computed from the subject; the same subject gives the same picture.
 */
export interface Subject {
  /** Seeds the standpoint: proportions, window, colours. */
  standpoint: string;
  kind: AreaKind;
  phase: Phase;
  hour: number;
  /** Local time as EXIF writes it: `2027:03:08 16:00:00`. */
  taken: string;
}

const WIDTH = 640;
const HEIGHT = 480;

/** A seeded generator over the text's hash. */
const randomOf = (text: string): (() => number) =>
  seeded(Array.from(text).reduce((hash, letter) => Math.imul(hash ^ letter.charCodeAt(0), 16_777_619), 2_166_136_261));

const rect = (x: number, y: number, width: number, height: number, fill: string, extra = ''): string =>
  `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="${fill}" ${extra}/>`;
const line = (x1: number, y1: number, x2: number, y2: number, stroke: string, width: number): string =>
  `<line x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}" stroke="${stroke}" stroke-width="${width}"/>`;
const poly = (points: number[][], fill: string): string =>
  `<polygon points="${points.map((point) => point.join(',')).join(' ')}" fill="${fill}"/>`;
const every = (from: number, to: number, step: number, draw: (at: number) => string): string => {
  let out = '';
  for (let at = from; at < to; at += step) out += draw(at);
  return out;
};

/** The back wall of a room: the corners that everything stands by. */
interface Wall {
  left: number;
  top: number;
  right: number;
  bottom: number;
}
type Past = (phase: Phase) => boolean;

/** The colour of the last thing that was reached; a list from the newest to the oldest. */
const newest = (past: Past, colours: readonly (readonly [Phase, string])[], before: string): string =>
  colours.find(([phase]) => past(phase))?.[1] ?? before;

function room(subject: Subject, random: () => number): string {
  const past: Past = (phase) => phaseOrder(subject.phase) >= phaseOrder(phase);
  const wall: Wall = {
    left: 90 + random() * 60,
    top: 70 + random() * 30,
    right: 500 + random() * 50,
    bottom: 330 + random() * 30,
  };
  const paint = ['#dfe6dc', '#e8e0cf', '#d6dfe4', '#ece8df'][Math.floor(random() * 4)] ?? '#e8e0cf';
  return [
    ...shell(wall, past, paint),
    ...(past('board') ? covered(wall, past) : openWall(wall, past)),
    ...(past('support') && !past('framing') ? props(wall) : []),
    ...finishes(wall, past, subject.kind),
    windowOf(wall.right - 120, wall.top + 40, 76, 96, subject.hour),
    ...(past('first-coats') ? [] : ladder()),
  ].join('');
}

/** Ceiling, walls and floor. */
function shell({ left, top, right, bottom }: Wall, past: Past, paint: string): string[] {
  const colours = [
    ['first-coats', paint],
    ['tape', '#d9d4c6'],
    ['board', '#cfc9ba'],
    ['tear-out', '#9a7d68'],
  ] as const;
  const wall = newest(past, colours, '#b9ad92');
  const floor = newest(
    past,
    [
      ['flooring', '#b38d5f'],
      ['tear-out', '#8b8176'],
    ],
    '#8a6b4b',
  );
  const side = (fill: string, ...corners: number[][]): string => poly(corners, fill);
  return [
    side(past('board') ? '#e9e6dd' : '#6f5a48', [0, 0], [WIDTH, 0], [right, top], [left, top]),
    side(shade(wall, 0.88), [0, 0], [left, top], [left, bottom], [0, HEIGHT]),
    side(shade(wall, 0.8), [WIDTH, 0], [right, top], [right, bottom], [WIDTH, HEIGHT]),
    side(floor, [0, HEIGHT], [left, bottom], [right, bottom], [WIDTH, HEIGHT]),
    rect(left, top, right - left, bottom - top, wall),
  ];
}

/** What is seen while a wall is open: laths, joists, studs, and what the trades put between them. */
function openWall({ left, top, right, bottom }: Wall, past: Past): string[] {
  const [wide, high] = [right - left, bottom - top];
  const drawn: readonly (readonly [Phase, () => string[]])[] = [
    ['tear-out', () => [every(top, bottom, 14, (y) => line(left, y, right, y, '#86695a', 1.2))]],
    [
      'framing',
      () => [
        every(left, right, 30, (x) => rect(x, top, 8, high, '#d9b37c')),
        rect(left, top, wide, 7, '#d9b37c'),
        rect(left, bottom - 8, wide, 8, '#d9b37c'),
      ],
    ],
    ['insulation', () => [every(left + 8, right - 22, 30, (x) => rect(x, top + 7, 22, high - 15, '#e7d9a6'))]],
    [
      'duct-rough',
      () => [
        rect(left + 20, top + 14, wide - 60, 26, '#b6bcc0', 'rx="12"'),
        every(left + 30, right - 50, 14, (x) => line(x, top + 14, x, top + 40, '#929aa0', 1.5)),
      ],
    ],
    [
      'plumbing-rough',
      () => [
        line(left + 96, bottom - 8, left + 96, top + 120, '#c06c3e', 6),
        line(left + 112, bottom - 8, left + 112, top + 120, '#3e74c0', 6),
      ],
    ],
    [
      'wiring-rough',
      () => [
        `<path d="M${left + 180} ${top + 8} q 20 80 -6 130 t 8 60" fill="none" stroke="#f2e14c" stroke-width="4"/>`,
        rect(left + 170, bottom - 70, 18, 26, '#3b5fa0'),
      ],
    ],
  ];
  return [
    every(0, WIDTH, 46, (x) => line(x, 0, left + (wide * x) / WIDTH, top, '#54412f', 9)),
    ...drawn.flatMap(([phase, draw]) => (past(phase) ? draw() : [])),
  ];
}

/** Joints of the boards, taped or not, until the first coat. */
function covered({ left, top, right, bottom }: Wall, past: Past): string[] {
  if (past('first-coats')) return [];
  const [colour, width] = past('tape') ? (['#f4f1e8', 14] as const) : (['#aaa292', 2] as const);
  return [every(left + 80, right, 110, (x) => line(x, top, x, bottom, colour, width))];
}

const props = ({ left, top, right }: Wall): string[] => [
  every(left + 60, right, 120, (x) => rect(x, top, 12, HEIGHT - top - 60, '#7d8b3c')),
  rect(left + 30, top + 4, right - left - 40, 14, '#c29a5b'),
];

/** What stays in sight: membrane, floor, tiles, cabinets, trim. */
function finishes({ left, top, right, bottom }: Wall, past: Past, kind: AreaKind): string[] {
  const wide = right - left;
  const [wet, dry] = [kind === 'wet', kind === 'room'];
  const tiles = (top + bottom) / 2.4;
  const drawn: readonly (readonly [boolean, () => string[]])[] = [
    [
      wet && past('waterproofing') && !past('tiling'),
      () => [rect(left, (top + bottom) / 2, wide, (bottom - top) / 2, '#4f8f86')],
    ],
    [
      past('flooring'),
      () => [every(0, WIDTH, 60, (x) => line(x, HEIGHT, left + (wide * x) / WIDTH, bottom, '#94703f', 2))],
    ],
    [
      wet && past('tiling'),
      () => [
        rect(left, tiles, wide, bottom - tiles, '#a9bba4'),
        every(left, right, 26, (x) => line(x, tiles, x, bottom, '#dfe6dc', 2)),
        every(tiles, bottom, 16, (y) => line(left, y, right, y, '#dfe6dc', 2)),
      ],
    ],
    [
      dry && past('cabinets'),
      () => [
        every(
          left + 10,
          right - 70,
          74,
          (x) => rect(x, bottom - 84, 70, 84, '#ddc79d') + rect(x + 28, bottom - 70, 14, 4, '#6b5a3a'),
        ),
      ],
    ],
    [dry && past('worktops'), () => [rect(left + 4, bottom - 94, wide - 60, 11, '#5d6468')]],
    [past('trim'), () => [rect(left, bottom - 12, wide, 12, '#f7f4ec')]],
  ];
  return drawn.flatMap(([there, draw]) => (there ? draw() : []));
}

const ladder = (): string[] =>
  [
    [40, 70, 84, 60],
    [110, 84, 92, 130],
  ].map(([foot = 0, head = 0, otherHead = 0, otherFoot = 0]) =>
    poly(
      [
        [foot, HEIGHT],
        [head, 330],
        [otherHead, 330],
        [otherFoot, HEIGHT],
      ],
      '#c8b48a',
    ),
  );

const windowOf = (x: number, y: number, width: number, height: number, hour: number): string =>
  rect(x - 5, y - 5, width + 10, height + 10, '#f1ede2') +
  rect(x, y, width, height, hour < 12 ? '#cfe3ec' : '#f0dfbd') +
  line(x + width / 2, y, x + width / 2, y + height, '#f1ede2', 4) +
  line(x, y + height / 2, x + width, y + height / 2, '#f1ede2', 4);

function face(subject: Subject, random: () => number): string {
  const past = (phase: Phase): boolean => phaseOrder(subject.phase) >= phaseOrder(phase);
  const [left, right, eaves, ground] = [70 + random() * 30, 540 + random() * 30, 110 + random() * 30, 400];
  const skin = past('face-paint')
    ? '#8fa79d'
    : past('cladding')
      ? '#b98f5e'
      : past('barrier')
        ? '#cfd8d4'
        : past('sheathing')
          ? '#d5b07b'
          : past('strip')
            ? '#8d745c'
            : '#8f8a7b';
  const boards = past('cladding') || !past('strip');
  return [
    rect(0, ground, WIDTH, HEIGHT - ground, '#7d8a63'),
    rect(left, eaves, right - left, ground - eaves, skin),
    boards
      ? every(eaves, ground, 15, (y) => line(left, y, right, y, shade(skin, 0.85), 2))
      : every(left, right, 62, (x) => line(x, eaves, x, ground, shade(skin, 0.88), 3)),
    poly(
      [
        [left - 24, eaves],
        [(left + right) / 2, 30],
        [right + 24, eaves],
      ],
      '#5b6366',
    ),
    past('openings')
      ? windowOf(left + 90, eaves + 70, 90, 110, subject.hour) +
        windowOf(right - 190, eaves + 70, 90, 110, subject.hour)
      : rect(left + 90, eaves + 70, 90, 110, '#3b3a36') + rect(right - 190, eaves + 70, 90, 110, '#3b3a36'),
    past('access') && !past('strike')
      ? every(left - 20, right + 30, 110, (x) => line(x, 70, x, ground + 24, '#c7a24a', 5)) +
        every(150, ground, 92, (y) => line(left - 30, y, right + 36, y, '#a8874a', 9))
      : '',
  ].join('');
}

function ground(subject: Subject, random: () => number): string {
  const past = (phase: Phase): boolean => phaseOrder(subject.phase) >= phaseOrder(phase);
  const bend = 40 * random();
  const trench = past('excavate') && !past('backfill');
  return [
    rect(0, 190, WIDTH, HEIGHT - 190, '#8b8d62'),
    rect(60, 90, 190, 110, '#a79a86') +
      poly(
        [
          [40, 92],
          [155, 30],
          [270, 92],
        ],
        '#5b6366',
      ),
    !past('excavate')
      ? `<path d="M300 200 q ${bend} 140 -40 280" fill="none" stroke="#e4643a" stroke-width="5" ` +
        'stroke-dasharray="14 10"/>'
      : '',
    trench
      ? poly(
          [
            [292, 196],
            [330, 196],
            [430 + bend, HEIGHT],
            [210, HEIGHT],
          ],
          '#4b3a2a',
        ) +
        poly(
          [
            [340, 200],
            [420, 210],
            [560, HEIGHT],
            [450 + bend, HEIGHT],
          ],
          '#75603f',
        )
      : '',
    trench && past('pipe')
      ? `<path d="M312 198 Q 330 330 ${320 + bend} ${HEIGHT}" fill="none" stroke="#b5572f" stroke-width="20"/>`
      : '',
    past('backfill')
      ? poly(
          [
            [292, 196],
            [330, 196],
            [430 + bend, HEIGHT],
            [210, HEIGHT],
          ],
          '#7a6a49',
        )
      : '',
    every(500, 640, 44, (x) => rect(x, 250, 6, 60, '#d95f3a') + rect(x - 8, 256, 44, 10, '#f3ead9')),
  ].join('');
}

/** A colour made darker (under 1) or lighter. */
function shade(colour: string, by: number): string {
  const part = (at: number): string =>
    Math.min(255, Math.round(Number.parseInt(colour.slice(at, at + 2), 16) * by))
      .toString(16)
      .padStart(2, '0');
  return `#${part(1)}${part(3)}${part(5)}`;
}

/** @returns a small JPEG with the date in its EXIF */
export async function paint(subject: Subject): Promise<Buffer> {
  const random = randomOf(subject.standpoint);
  const scene =
    subject.kind === 'face' || subject.kind === 'roof' || subject.kind === 'outbuilding'
      ? face(subject, random)
      : subject.kind === 'ground'
        ? ground(subject, random)
        : room(subject, random);
  const warm = subject.hour < 12 ? '#bcd4e6' : '#f0b35a';
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}"><rect width="100%" height="100%" ` +
    `fill="${subject.hour < 12 ? '#c6d6dd' : '#d9cbb4'}"/>${scene}<rect width="100%" height="100%" fill="${warm}" ` +
    'opacity="0.12"/></svg>';
  return sharp(Buffer.from(svg))
    .jpeg({ quality: 72 })
    .withExif({ IFD0: { Software: 'Aftermist demo painter' }, IFD2: { DateTimeOriginal: subject.taken } })
    .toBuffer();
}
