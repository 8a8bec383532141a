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

function room(subject: Subject, random: () => number): string {
  const past = (phase: Phase): boolean => phaseOrder(subject.phase) >= phaseOrder(phase);
  const [left, top, right, bottom] = [90 + random() * 60, 70 + random() * 30, 500 + random() * 50, 330 + random() * 30];
  const closed = past('board');
  const paint = ['#dfe6dc', '#e8e0cf', '#d6dfe4', '#ece8df'][Math.floor(random() * 4)] ?? '#e8e0cf';
  const wall = past('first-coats')
    ? paint
    : past('tape')
      ? '#d9d4c6'
      : closed
        ? '#cfc9ba'
        : past('tear-out')
          ? '#9a7d68'
          : '#b9ad92';
  const floor = past('flooring') ? '#b38d5f' : past('tear-out') ? '#8b8176' : '#8a6b4b';
  const parts = [
    poly(
      [
        [0, 0],
        [WIDTH, 0],
        [right, top],
        [left, top],
      ],
      closed ? '#e9e6dd' : '#6f5a48',
    ),
    poly(
      [
        [0, 0],
        [left, top],
        [left, bottom],
        [0, HEIGHT],
      ],
      shade(wall, 0.88),
    ),
    poly(
      [
        [WIDTH, 0],
        [right, top],
        [right, bottom],
        [WIDTH, HEIGHT],
      ],
      shade(wall, 0.8),
    ),
    poly(
      [
        [0, HEIGHT],
        [left, bottom],
        [right, bottom],
        [WIDTH, HEIGHT],
      ],
      floor,
    ),
    rect(left, top, right - left, bottom - top, wall),
  ];
  if (!closed && past('tear-out')) parts.push(every(top, bottom, 14, (y) => line(left, y, right, y, '#86695a', 1.2)));
  if (!closed)
    parts.push(every(0, WIDTH, 46, (x) => line(x, 0, left + ((right - left) * x) / WIDTH, top, '#54412f', 9)));
  if (past('framing') && !closed)
    parts.push(
      every(left, right, 30, (x) => rect(x, top, 8, bottom - top, '#d9b37c')),
      rect(left, top, right - left, 7, '#d9b37c'),
      rect(left, bottom - 8, right - left, 8, '#d9b37c'),
    );
  if (past('insulation') && !closed)
    parts.push(every(left + 8, right - 22, 30, (x) => rect(x, top + 7, 22, bottom - top - 15, '#e7d9a6')));
  if (past('duct-rough') && !closed)
    parts.push(
      rect(left + 20, top + 14, right - left - 60, 26, '#b6bcc0', 'rx="12"'),
      every(left + 30, right - 50, 14, (x) => line(x, top + 14, x, top + 40, '#929aa0', 1.5)),
    );
  if (past('plumbing-rough') && !closed)
    parts.push(
      line(left + 96, bottom - 8, left + 96, top + 120, '#c06c3e', 6),
      line(left + 112, bottom - 8, left + 112, top + 120, '#3e74c0', 6),
    );
  if (past('wiring-rough') && !closed)
    parts.push(
      `<path d="M${left + 180} ${top + 8} q 20 80 -6 130 t 8 60" fill="none" stroke="#f2e14c" stroke-width="4"/>`,
      rect(left + 170, bottom - 70, 18, 26, '#3b5fa0'),
    );
  if (past('support') && phaseOrder(subject.phase) < phaseOrder('framing'))
    parts.push(
      every(left + 60, right, 120, (x) => rect(x, top, 12, HEIGHT - top - 60, '#7d8b3c')),
      rect(left + 30, top + 4, right - left - 40, 14, '#c29a5b'),
    );
  if (closed && !past('first-coats'))
    parts.push(
      every(left + 80, right, 110, (x) =>
        line(x, top, x, bottom, past('tape') ? '#f4f1e8' : '#aaa292', past('tape') ? 14 : 2),
      ),
    );
  if (past('waterproofing') && subject.kind === 'wet' && !past('tiling'))
    parts.push(rect(left, (top + bottom) / 2, right - left, (bottom - top) / 2, '#4f8f86'));
  if (past('flooring'))
    parts.push(every(0, WIDTH, 60, (x) => line(x, HEIGHT, left + ((right - left) * x) / WIDTH, bottom, '#94703f', 2)));
  if (subject.kind === 'wet' && past('tiling'))
    parts.push(
      rect(left, (top + bottom) / 2.4, right - left, bottom - (top + bottom) / 2.4, '#a9bba4'),
      every(left, right, 26, (x) => line(x, (top + bottom) / 2.4, x, bottom, '#dfe6dc', 2)),
      every((top + bottom) / 2.4, bottom, 16, (y) => line(left, y, right, y, '#dfe6dc', 2)),
    );
  if (past('cabinets') && subject.kind === 'room')
    parts.push(
      every(
        left + 10,
        right - 70,
        74,
        (x) => rect(x, bottom - 84, 70, 84, '#ddc79d') + rect(x + 28, bottom - 70, 14, 4, '#6b5a3a'),
      ),
    );
  if (past('worktops') && subject.kind === 'room')
    parts.push(rect(left + 4, bottom - 94, right - left - 60, 11, '#5d6468'));
  if (past('trim')) parts.push(rect(left, bottom - 12, right - left, 12, '#f7f4ec'));
  parts.push(windowOf(right - 120, top + 40, 76, 96, subject.hour));
  if (!past('first-coats'))
    parts.push(
      poly(
        [
          [40, HEIGHT],
          [70, 330],
          [84, 330],
          [60, HEIGHT],
        ],
        '#c8b48a',
      ),
      poly(
        [
          [110, HEIGHT],
          [84, 330],
          [92, 330],
          [130, HEIGHT],
        ],
        '#c8b48a',
      ),
    );
  return parts.join('');
}

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
